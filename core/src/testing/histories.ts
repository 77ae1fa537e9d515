import type { ItemRecord, ResultRecord } from '@cadro/contract';
import fc from 'fast-check';
import type { AnnouncementSeen, BalanceSeen, ChildHistory, CommentSeen, ItemVersion, Known } from '../alerts';
import type { GivenMark } from '../attendance';
import { dayMs } from '../dates';

/** The first evening of the histories made here. */
export const startMs = Date.parse('2026-09-07T18:00:00Z');
export const evening = (day: number): number => startMs + day * dayMs;
export const instant = (day: number): string => new Date(evening(day)).toISOString();

/** A known thing: known on the evening of `day` unless said otherwise. */
export const knownOn = <T>(value: T, day: number): Known<T> => ({ value, knownAtMs: evening(day) });

export const item = (id: string, due: number, more: Partial<ItemRecord> = {}): ItemRecord => ({
  id,
  title: id,
  categoryId: 'all',
  possible: 20,
  assignedAt: instant(due - 5),
  dueAt: instant(due),
  ...more,
});
export const score = (itemId: string, day: number, earned: number): Known<ResultRecord> =>
  knownOn({ itemId, at: instant(day), status: 'scored', earned }, day);
export const state = (itemId: string, day: number, status: ResultRecord['status']): Known<ResultRecord> =>
  knownOn({ itemId, at: instant(day), status }, day);

export const mark = (code: string, day: number, period = '1'): Known<GivenMark> =>
  knownOn(
    {
      ...{ on: instant(day).slice(0, 10), period, courseId: 'kelp', code },
      ...{ means: null, markedAt: null, by: 'school' },
    },
    day,
  );

/** A teacher's words on the work `w`, known on the evening they were written. */
export const commentOn = (id: string, day: number, more: Partial<CommentSeen> = {}): Known<CommentSeen> =>
  knownOn(
    {
      ...{ id, courseId: 'kelp', courseTitle: 'Kelp chemistry', itemId: 'w', itemTitle: 'w' },
      ...{ subject: 'work' as const, text: 'Do it again.', author: 'W. Thornwick', writtenAt: instant(day) },
      ...{ sourceName: 'Gannet Head', term: null, offers: [] },
      ...more,
    },
    day,
  );

/** What a school announced on the evening of `day`. */
export const announcedOn = (
  id: string,
  day: number,
  more: Partial<AnnouncementSeen> = {},
): Known<AnnouncementSeen> =>
  knownOn(
    {
      ...{ id, title: 'Lamp night', text: 'How many of you will come?', schoolName: 'Gannet Head' },
      ...{ courseId: null, courseTitle: null, wish: 'count' as const, wantsAnswer: true, by: null },
      ...{ helpers: false, gone: false, answeredAtMs: null },
      ...more,
    },
    day,
  );

/** Money at school as it is from a day on. */
export const owedOn = (id: string, day: number, more: Partial<BalanceSeen> = {}): Known<BalanceSeen> =>
  knownOn(
    { id, kind: 'account', title: 'Lunch account', amount: 20, currency: 'USD', dueOn: null, ...more },
    day,
  );

/** A work as it was first given out. */
const given = (value: ItemRecord): ItemVersion => ({
  value,
  knownAtMs: Date.parse(value.assignedAt ?? instant(0)),
  removed: false,
});

export interface Sketch {
  readonly items?: readonly ItemRecord[];
  /** Later versions of them. */
  readonly versions?: readonly ItemVersion[];
  readonly results?: readonly Known<ResultRecord>[];
  readonly comments?: readonly Known<CommentSeen>[];
  readonly marks?: readonly Known<GivenMark>[];
  readonly grades?: ChildHistory['grades'];
  readonly announcements?: ChildHistory['announcements'];
  readonly balances?: ChildHistory['balances'];
  readonly outOf?: number;
  readonly classroom?: ChildHistory['courses'][number]['classroom'];
  readonly offers?: ChildHistory['courses'][number]['offers'];
  readonly readAt?: string | null;
}

/** One child with one course, from what is said of it. */
export const historyOf = ({
  items = [],
  versions = [],
  results = [],
  comments = [],
  marks = [],
  grades = [],
  announcements = [],
  balances = [],
  outOf = 100,
  classroom,
  offers = [],
  readAt = null,
}: Sketch): ChildHistory => ({
  studentId: 'child',
  timeZone: 'UTC',
  attendanceSource: 'Office',
  courses: [
    {
      id: 'kelp',
      title: 'Kelp chemistry',
      sourceName: 'Gannet Head',
      readAt,
      itemKinds: Object.fromEntries(
        items.filter(({ id }) => id.startsWith('test')).map(({ id }) => [id, 'test']),
      ),
      offers,
      classroom: classroom ?? [],
      correction: null,
      terms: [
        {
          part: 'autumn',
          startsOn: '2026-09-01',
          endsOn: '2026-12-18',
          record: {
            id: 'kelp',
            policy: {
              method: 'points',
              outOf,
              decimals: 1,
              letters: [
                { letter: 'A', from: 0.9 },
                { letter: 'B', from: 0.8 },
                { letter: 'C', from: 0.7 },
                { letter: 'D', from: 0 },
              ],
              termEnd: '2026-12-18T23:59:00Z',
            },
            categories: [{ id: 'all', title: 'All' }],
          },
          items: [...items.map(given), ...versions].sort((a, b) => a.knownAtMs - b.knownAtMs),
          results: [...results].sort((a, b) => (a.value.at < b.value.at ? -1 : 1)),
        },
      ],
    },
  ],
  comments,
  grades,
  announcements,
  balances,
  marks: marks.map(({ value, knownAtMs }) => ({
    value: { ...value, courseTitle: 'Kelp chemistry' },
    knownAtMs,
  })),
  meanings: [
    { code: 'A', from: null, said: 'map', kind: 'absent', excused: false, label: null },
    { code: 'E', from: null, said: 'map', kind: 'absent', excused: true, label: null },
    { code: 'L', from: null, said: 'map', kind: 'tardy', excused: false, label: null },
    { code: 'P', from: null, said: 'map', kind: 'present', excused: false, label: null },
  ],
});

const anyStatus = fc.constantFrom('open', 'handed-in', 'scored', 'missing', 'incomplete', 'excused');

/** Any weeks of one child: works, their changes (some known days late), marks and comments. */
export const anyHistory: fc.Arbitrary<ChildHistory> = fc
  .record({
    dues: fc.array(fc.integer({ min: 1, max: 26 }), { minLength: 1, maxLength: 8 }),
    changes: fc.array(
      fc.record({
        of: fc.nat(7),
        day: fc.integer({ min: 0, max: 28 }),
        late: fc.nat(3),
        status: anyStatus,
        earned: fc.nat(20),
      }),
      { maxLength: 25 },
    ),
    days: fc.array(fc.constantFrom('A', 'E', 'L', 'P', 'P', 'P'), { minLength: 28, maxLength: 28 }),
    moves: fc.array(fc.record({ of: fc.nat(7), day: fc.nat(28), due: fc.nat(28), removed: fc.boolean() }), {
      maxLength: 3,
    }),
    comments: fc.array(fc.record({ day: fc.integer({ min: 0, max: 28 }), of: fc.nat(7) }), { maxLength: 6 }),
  })
  .map(({ dues, changes, days, comments, moves }) =>
    historyOf({
      versions: moves.flatMap(({ of, day, due, removed }) =>
        of < dues.length
          ? [{ value: item(of % 3 === 0 ? `test${of}` : `w${of}`, due), knownAtMs: evening(day), removed }]
          : [],
      ),
      items: dues.map((due, index) => item(index % 3 === 0 ? `test${index}` : `w${index}`, due)),
      results: changes
        .filter(({ of }) => of < dues.length)
        .map(({ of, day, late, status, earned }) => ({
          value: {
            itemId: of % 3 === 0 ? `test${of}` : `w${of}`,
            at: instant(day),
            status,
            ...(status === 'scored' ? { earned } : {}),
          },
          knownAtMs: evening(day + late),
        })),
      marks: days.map((code, day) => mark(code, day)),
      comments: comments.map(({ day, of }, index) =>
        commentOn(`c${index}`, day, {
          itemId: of < dues.length ? `w${of}` : null,
          itemTitle: null,
          text: 'Well done.',
        }),
      ),
    }),
  );
