import {
  alertRoutes,
  calendarRoutes,
  gradebookRoutes,
  newsRoutes,
  outlookRoutes,
  termRoutes,
  workRoutes,
  type Alert,
  type Brief,
  type CalendarEvent,
  type ChildTerms,
  type CourseDetail,
  type CourseGrade,
  type CourseSummary,
  type Digest,
  type ItemDetail,
  type News,
  type Work,
  type WorkRow,
} from '@cadro/contract';
import { daysAfter } from '@cadro/core';
import type { Agent } from 'supertest';
import { reportOf } from '../gradebook';
import { childrenFor } from '../household';
import { World } from '../testing/world';

type Report = Awaited<ReturnType<typeof reportOf>>;

/*
 * The demo family's thirty days, read as a careful parent would: what each place says of a course or an assignment is
 * laid beside what the others say, and every disagreement is printed with both texts. The list is empty.
 */
const first = '2026-10-21';
const days = 31;
const children = ['isolde', 'caspian', 'pet'] as const;

let world: World;
let maren: Agent;

beforeAll(async () => {
  world = await World.read('daily');
  await world.household('walkers', [{ name: 'maren', children: [...children] }]);
  maren = await world.signedIn('maren');
}, 120_000);
afterAll(() => world.stop());

const get = async <T>(path: string, query: Record<string, string> = {}): Promise<T> =>
  (await maren.get(path).query(query).expect(200)).body as T;
const forChild = (path: string, studentId: string) => path.replace(':studentId', studentId);

/** A household that uses what it is offered: every offer on Work is confirmed on the evening it is seen. */
async function confirmAll(): Promise<number> {
  const { offers } = await get<Work>(workRoutes.work.path);
  const fresh = offers.filter(({ answer }) => answer === null);
  for (const { studentId, commentId, place } of fresh) {
    const path = forChild(workRoutes.offer.path, studentId).replace(':commentId', commentId);
    await maren.post(path).send({ place, answer: 'confirmed' }).expect(200);
  }
  return fresh.length;
}

/** All that the family can read on a day. */
interface Seen {
  readonly now: string;
  readonly brief: Brief;
  readonly courses: readonly CourseSummary[];
  readonly details: readonly CourseDetail[];
  readonly items: readonly ItemDetail[];
  readonly work: Work;
  readonly events: readonly CalendarEvent[];
  readonly alerts: readonly Alert[];
  readonly digest: Digest;
  readonly news: News;
  readonly terms: readonly ChildTerms[];
  /** What is printed of each child's term. */
  readonly papers: readonly { readonly studentId: string; readonly report: Report }[];
}

async function readAll(on: string): Promise<Seen> {
  const [brief, { courses }, work, { events }, { alerts }, digest, news] = await Promise.all([
    get<Brief>(outlookRoutes.brief.path),
    get<{ courses: CourseSummary[] }>(gradebookRoutes.courses.path),
    get<Work>(workRoutes.work.path),
    get<{ events: CalendarEvent[] }>(calendarRoutes.calendar.path, { from: on, to: daysAfter(on, 14) }),
    get<{ alerts: Alert[] }>(alertRoutes.list.path, { state: 'open' }),
    get<Digest>(alertRoutes.digest.path),
    get<News>(newsRoutes.news.path),
  ]);
  const details = await Promise.all(
    courses.map(({ studentId, id }) =>
      get<CourseDetail>(forChild(gradebookRoutes.course.path, studentId).replace(':courseId', id)),
    ),
  );
  // The pages of the assignments that the Brief leads to.
  const named = brief.matters.flatMap((matter) =>
    'looseEnds' in matter
      ? matter.looseEnds.slice(0, 1).map(({ itemId }) => [matter.studentId, itemId] as const)
      : [],
  );
  const items = await Promise.all(
    named.map(([studentId, itemId]) =>
      get<ItemDetail>(forChild(gradebookRoutes.item.path, studentId).replace(':itemId', itemId)),
    ),
  );
  const terms = await Promise.all(
    children.map((child) => get<ChildTerms>(forChild(termRoutes.terms.path, world.student(child)))),
  );
  const guardian = await world
    .db('guardians')
    .where({ email: 'maren@test.example' })
    .first<{ id: string }>('id');
  const now = new Date(brief.asOf);
  const papers = await Promise.all(
    (await childrenFor(world.db, guardian.id, 'read-record')).map(async (child) => ({
      studentId: child.id,
      report: await reportOf(world.db, { guardianId: guardian.id, child, now }),
    })),
  );
  return {
    now: brief.asOf,
    brief,
    courses,
    details,
    items,
    work,
    events,
    alerts,
    digest,
    news,
    terms,
    papers,
  };
}

/** One thing that two places say, in words that can be laid side by side. */
interface Said {
  readonly place: string;
  readonly about: string;
  readonly text: string;
}

const gradeText = ({ display, letter, by, count }: CourseGrade): string =>
  [display ?? '–', letter ?? '', by, count ? `our count ${count.display} ${count.letter ?? ''}` : '']
    .join(' ')
    .trim();

const gradesSaid = ({ courses, details, items, brief, alerts, digest, terms, papers }: Seen): Said[] => {
  const said = (place: string, courseId: string, studentId: string, grade: CourseGrade): Said => ({
    ...{ place, about: `grade of ${studentId}:${courseId}`, text: gradeText(grade) },
  });
  return [
    ...courses.map(({ id, studentId, grade }) => said('Courses', id, studentId, grade)),
    ...details.map(({ id, studentId, grade }) => said('course', id, studentId, grade)),
    ...items.map(({ course, grade }) => said('assignment', course.id, course.studentId, grade)),
    ...brief.matters.flatMap((matter) =>
      'grade' in matter && matter.courseId
        ? [said('Brief', matter.courseId, matter.studentId, matter.grade)]
        : [],
    ),
    ...alerts.flatMap(({ overAt, studentId, courseId, reasons }) =>
      reasons.flatMap((reason) =>
        overAt === null && reason.about === 'figure' && reason.grade && courseId && studentId
          ? [said('alert', courseId, studentId, reason.grade)]
          : [],
      ),
    ),
    ...digest.children.flatMap(({ studentId, needs, before, changed }) => [
      ...[...needs, ...before].flatMap(({ courseId, reasons }) =>
        reasons.flatMap((reason) =>
          reason.about === 'figure' && reason.grade && courseId
            ? [said('digest', courseId, studentId, reason.grade)]
            : [],
        ),
      ),
      ...changed.flatMap(({ courseId, grade }) =>
        grade ? [said('digest', courseId, studentId, grade)] : [],
      ),
    ]),
    ...papers.flatMap(({ studentId, report }) =>
      report.courses.flatMap(({ title, grade, scale }) => {
        const course = details.find((each) => each.title === title && each.studentId === studentId);
        const same = course?.term.title === report.term.title && scale.method !== 'standards';
        return course && same && grade ? [said('paper', course.id, studentId, grade)] : [];
      }),
    ),
    // The files of terms and report cards are made of these.
    ...terms.flatMap(({ studentId, terms: tree, courses: own }) =>
      own.flatMap(({ courseId, grades }) => {
        const detail = details.find((each) => each.id === courseId && each.studentId === studentId);
        const part = tree.find(({ id }) => id === detail?.term.id)?.part;
        const found = grades.find((grade) => grade.part === part);
        return detail && detail.scale.method !== 'standards' && found
          ? [said('terms', courseId, studentId, found.grade)]
          : [];
      }),
    ),
  ];
};

interface End {
  readonly kind: string | null;
  readonly deadline: string | null;
  readonly impact: number | null;
  readonly doubt: string | null;
}

const instantText = (at: string | null): string => (at ? new Date(at).toISOString() : '–');
const endText = ({ kind, deadline, impact, doubt }: End): string =>
  [kind ?? 'settled', instantText(deadline), impact === null ? '–' : impact.toFixed(6), doubt ?? '']
    .join(' ')
    .trim();

const lasting = new Set(['loose-end', 'deadline']);

/** What is open about each assignment: one kind, one deadline, one gain, one doubt. */
const endsSaid = ({ details, items, work, brief, alerts, digest }: Seen): Said[] => {
  const said = (place: string, itemId: string, end: End): Said => ({
    ...{ place, about: `assignment ${itemId}`, text: endText(end) },
  });
  const ofItem = (item: CourseDetail['items'][number]): End => {
    const { looseEnd, chance, classroom } = item;
    const { deadline = null, impact = null } = looseEnd ?? chance ?? {};
    return {
      kind: looseEnd?.kind ?? (chance ? 'again' : null),
      deadline,
      impact,
      doubt: classroom?.doubt ?? null,
    };
  };
  const shown = new Set(work.rows.flatMap(({ kind, itemId }) => (kind ? [itemId] : [])));
  return [
    ...work.rows.flatMap((row: WorkRow) =>
      row.kind ? [said('Work', row.itemId, { ...row, doubt: row.doubt })] : [],
    ),
    ...details.flatMap(({ items: own }) =>
      own.flatMap((item) =>
        item.looseEnd || item.chance || shown.has(item.id) ? [said('course', item.id, ofItem(item))] : [],
      ),
    ),
    ...items.map((item) => said('its page', item.id, ofItem(item))),
    ...brief.matters.flatMap((matter) =>
      'looseEnds' in matter ? matter.looseEnds.map((end) => said('Brief', end.itemId, end)) : [],
    ),
    ...digest.children.flatMap(({ needs, before }) =>
      [...needs, ...before].flatMap(({ reasons }) =>
        reasons.flatMap((reason) =>
          reason.about === 'work' && lasting.has(reason.rule) && reason.work.kind
            ? [
                said('digest', reason.work.itemId, {
                  ...reason.work,
                  doubt: reason.work.classroom ? 'apart' : null,
                }),
              ]
            : [],
        ),
      ),
    ),
    ...alerts.flatMap(({ overAt, reasons }) =>
      reasons.flatMap((reason) =>
        overAt === null && reason.about === 'work' && lasting.has(reason.rule) && reason.work.kind
          ? [
              said('alert', reason.work.itemId, {
                ...reason.work,
                doubt: reason.work.classroom ? 'apart' : null,
              }),
            ]
          : [],
      ),
    ),
  ];
};

/** What a work was scored, and when it is due: as it came, and as it stands. */
const statesSaid = ({ details, news }: Seen): Said[] => {
  const own = new Map(details.flatMap(({ items }) => items.map((item) => [item.id, item] as const)));
  const said = (place: string, about: string, text: string | null): Said => ({
    ...{ place, about, text: text ?? '–' },
  });
  return [...news.fresh, ...news.earlier]
    .flatMap(({ lines }) => lines)
    .flatMap((line, index, all): Said[] => {
      if (line.kind !== 'score' && line.kind !== 'assigned') return [];
      const item = own.get(line.itemId);
      // An older line of the same work is history.
      const newest = all.findIndex(
        (each) => each.kind === line.kind && 'itemId' in each && each.itemId === line.itemId,
      );
      if (!item || newest !== index) return [];
      return line.kind === 'score'
        ? [
            said('what is new', `score of ${line.itemId}`, String(line.earned)),
            said('course', `score of ${line.itemId}`, String(item.state.earned)),
          ]
        : [
            said('what is new', `date of ${line.itemId}`, line.dueAt),
            said('course', `date of ${line.itemId}`, item.dueAt),
          ];
    });
};

/** Where the places differ: each with the others' text. */
function disagreements(all: readonly Said[]): string[] {
  const byAbout = new Map<string, Said[]>();
  for (const each of all) byAbout.set(each.about, [...(byAbout.get(each.about) ?? []), each]);
  return [...byAbout].flatMap(([about, said]) => {
    const texts = [...new Set(said.map(({ text }) => text))];
    if (texts.length < 2) return [];
    const places = texts.map(
      (text) => `${said.filter((each) => each.text === text).map(({ place }) => place)[0]}: ${text}`,
    );
    return [`${about}: ${places.join(' | ')}`];
  });
}

/** Whatever a place still asks for after its last day, or once it is settled. */
function tooLate({ now, brief, work, alerts, events, details }: Seen): string[] {
  const past = (at: string | null) => at !== null && Date.parse(at) < Date.parse(now);
  const items = new Map(details.flatMap(({ items: own }) => own.map((item) => [item.id, item] as const)));
  const offered = new Set(
    details.flatMap(({ comments }) =>
      comments.flatMap(({ itemId, offers }) =>
        offers.some(({ answer, standing }) => answer === 'confirmed' && standing === 'open') ? [itemId] : [],
      ),
    ),
  );
  return [
    ...brief.matters.flatMap((matter) =>
      'looseEnds' in matter
        ? matter.looseEnds
            .filter(({ deadline }) => past(deadline))
            .map(({ title }) => `Brief asks for ${title} after its last day`)
        : [],
    ),
    ...brief.coming.flatMap(({ items: own }) =>
      own
        .filter(({ itemId, offerEnds }) =>
          offerEnds ? !offered.has(itemId) : (items.get(itemId)?.state.status ?? 'open') !== 'open',
        )
        .map(({ title }) => `Brief announces ${title}, which is settled`),
    ),
    ...work.offers
      .filter(({ standing, until }) => standing !== 'open' || (until !== null && until < work.today))
      .map(({ itemTitle }) => `Work asks to confirm an offer for ${itemTitle ?? ''} that is over`),
    ...alerts.flatMap(({ overAt, reasons }) =>
      reasons
        .filter(
          (reason) =>
            overAt === null &&
            reason.about === 'work' &&
            reason.rule === 'deadline' &&
            past(reason.work.deadline),
        )
        .map((reason) => `an alert names a last day that is over: ${reason.id}`),
    ),
    ...events.flatMap((event) => {
      if (event.settled || event.link?.to !== 'item') return [];
      if (event.layer === 'offer' && !offered.has(event.link.itemId))
        return [`Days shows “${event.title}” of an offer that is over`];
      if (event.layer !== 'due') return [];
      const item = items.get(event.link.itemId);
      return item && ['scored', 'handed-in', 'excused'].includes(item.state.status)
        ? [`Days shows ${event.title} as open, which is ${item.state.status}`]
        : [];
    }),
  ];
}

/** One matter for one thing: nothing of a course stands on the Brief twice. */
function twice({ brief }: Seen): string[] {
  const keys = brief.matters.flatMap((matter) =>
    'looseEnds' in matter ? matter.looseEnds.map(({ itemId }) => `${matter.studentId}:${itemId}`) : [],
  );
  return keys
    .filter((key, index) => keys.indexOf(key) !== index)
    .map((key) => `the Brief names ${key} twice`);
}

it('finds what differs, and says which places say it', () => {
  const said = (place: string, text: string): Said => ({ place, about: 'grade of kelp', text });
  expect(disagreements([said('Courses', '80.4 B'), said('course', '80.4 B')])).toEqual([]);
  expect(
    disagreements([said('Courses', '80.4 B'), said('Brief', '76.6 C'), said('alert', '80.4 B')]),
  ).toEqual(['grade of kelp: Courses: 80.4 B | Brief: 76.6 C']);
});

it('one state, one figure, one deadline, wherever it is read, from 21 October to 20 November', async () => {
  const titles = new Map(
    (await world.db('items').select<{ id: string; external_id: string }[]>('id', 'external_id')).map(
      ({ id, external_id }) => [id, external_id],
    ),
  );
  const found: string[] = [];
  let compared = 0;
  let confirmed = 0;
  for (let day = 0; day < days; day++) {
    const on = daysAfter(first, day);
    await world.moveTo(`${on}T${on < '2026-11-01' ? '22' : '23'}:40:00Z`);
    await world.syncAll();
    confirmed += await confirmAll();
    const seen = await readAll(on);
    const said = [...gradesSaid(seen), ...endsSaid(seen), ...statesSaid(seen)];
    compared += said.length;
    const all = [...disagreements(said), ...tooLate(seen), ...twice(seen)];
    found.push(...all.map((line) => `${on} ${line.replace(/[0-9a-f-]{36}/g, (id) => titles.get(id) ?? id)}`));
  }
  process.stderr.write(
    `measured: ${compared} statements laid side by side over ${days} days, ${confirmed} offers confirmed, ${found.length} differ\n`,
  );
  expect(confirmed).toBeGreaterThan(0);
  expect(compared).toBeGreaterThan(days * 50);
  expect(found).toEqual([]);
}, 240_000);
