import fc from 'fast-check';
import { publish, type DraftEvent, type GivenEvent } from '.';

const draft = (uid: string, more: Partial<DraftEvent> = {}): DraftEvent => ({
  ...{ uid, title: 'Keel model', text: null, place: null, href: null, categories: [] },
  ...{ on: '2026-10-22', lastOn: '2026-10-22', startsAt: null, endsAt: null, timeZone: 'America/Halifax' },
  ...more,
});
const keep = (given: readonly GivenEvent[], changed: readonly GivenEvent[]): GivenEvent[] => [
  ...new Map([...given, ...changed].map((each) => [each.uid, each])).values(),
];
const at = (now: string) => ({ now, from: '2026-10-01', mayTell: () => true });
const [first, second, third] = [
  at('2026-10-21T18:00:00Z'),
  at('2026-10-22T18:00:00Z'),
  at('2026-10-23T18:00:00Z'),
];

it('gives the same again without a new sequence', () => {
  const one = publish([], [draft('a'), draft('b')], first);
  expect(one.events.map(({ uid, sequence, cancelled }) => [uid, sequence, cancelled])).toEqual([
    ['a', 0, false],
    ['b', 0, false],
  ]);
  const two = publish(one.changed, [draft('b'), draft('a')], second);
  expect(two.changed).toEqual([]);
  expect(two.events.every(({ changedAt }) => changedAt === first.now)).toBe(true);
});

it('counts a change, tells a cancellation once, and takes it back', () => {
  const one = publish([], [draft('a')], first).changed;
  const moved = publish(one, [draft('a', { on: '2026-10-23', lastOn: '2026-10-23' })], second);
  expect(moved.events).toMatchObject([{ sequence: 1, on: '2026-10-23', changedAt: second.now }]);
  const gone = publish(keep(one, moved.changed), [], third);
  expect(gone.events).toMatchObject([{ uid: 'a', sequence: 2, cancelled: true, on: '2026-10-23' }]);
  const still = publish(keep(one, gone.changed), [], { ...third, now: '2026-10-24T18:00:00Z' });
  expect(still.changed).toEqual([]);
  expect(still.events).toEqual(gone.events);
  const back = publish(keep(one, gone.changed), [draft('a')], third);
  expect(back.events).toMatchObject([{ sequence: 3, cancelled: false, on: '2026-10-22' }]);
});

it('says nothing of what is past, nor of what may not be spoken of', () => {
  const one = publish([], [draft('a'), draft('b', { title: 'Hull drawing' })], first).changed;
  expect(publish(one, [], { ...second, from: '2026-10-23' })).toEqual({ events: [], changed: [] });
  const told = publish(one, [], { ...second, mayTell: ({ title }) => title === 'Keel model' });
  expect(told.events.map(({ uid }) => uid)).toEqual(['a']);
});

it('never lowers a sequence, whatever comes and goes', () => {
  const step = fc.uniqueArray(
    fc.record({ uid: fc.constantFrom('a', 'b', 'c'), title: fc.constantFrom('x', 'y') }),
    {
      selector: ({ uid }) => uid,
    },
  );
  fc.assert(
    fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
      let given: GivenEvent[] = [];
      for (const [index, drafts] of steps.entries()) {
        const before = new Map(given.map((each) => [each.uid, each]));
        const { events, changed } = publish(
          given,
          drafts.map(({ uid, title }) => draft(uid, { title })),
          at(`2026-10-${String(index + 1).padStart(2, '0')}T00:00:00Z`),
        );
        given = keep(given, changed);
        for (const { uid, sequence, title, cancelled } of events) {
          const last = before.get(uid);
          const same =
            last && last.cancelled === cancelled && (JSON.parse(last.content) as DraftEvent).title === title;
          expect(sequence).toBe(last ? last.sequence + (same ? 0 : 1) : 0);
        }
        // Everything that was ever given is told of, as it is or as cancelled.
        expect(new Set(events.map(({ uid }) => uid))).toEqual(new Set(given.map(({ uid }) => uid)));
      }
    }),
  );
});
