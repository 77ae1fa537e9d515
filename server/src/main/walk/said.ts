import type { CourseDetail, CourseGrade, WorkRow } from '@cadro/contract';
import type { Seen } from './evening';

/** One thing that two places say, in words that can be laid side by side. */
export interface Said {
  readonly place: string;
  readonly about: string;
  readonly text: string;
}

const gradeText = ({ display, letter, by, count }: CourseGrade): string =>
  [display ?? '–', letter ?? '', by, count ? `our count ${count.display} ${count.letter ?? ''}` : '']
    .join(' ')
    .trim();

export const gradesSaid = ({ courses, details, items, brief, alerts, digest, terms }: Seen): Said[] => {
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
export const endsSaid = ({ details, items, work, brief, alerts, digest }: Seen): Said[] => {
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
export const statesSaid = ({ details, news }: Seen): Said[] => {
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
export function disagreements(all: readonly Said[]): string[] {
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
export function tooLate({ now, brief, work, alerts, events, details }: Seen): string[] {
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
export function twice({ brief }: Seen): string[] {
  const keys = brief.matters.flatMap((matter) =>
    'looseEnds' in matter ? matter.looseEnds.map(({ itemId }) => `${matter.studentId}:${itemId}`) : [],
  );
  return keys
    .filter((key, index) => keys.indexOf(key) !== index)
    .map((key) => `the Brief names ${key} twice`);
}
