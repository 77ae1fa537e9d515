import type { ItemDetail } from '@cadro/contract';
import { aGrade } from '../testing/grades';
import { anItem } from '../testing/items';
import { show, signedInAs } from '../testing/show';
import { startTexts } from '../testing/texts';
import { State } from './ItemState';

startTexts('en');
beforeAll(() => signedInAs());

const scored = (earned: number): ItemDetail['state'] => ({
  ...{ status: 'scored', at: '2026-10-19T18:00:00Z', earned, late: false, levels: {} },
});
const loose = (kind: NonNullable<ItemDetail['looseEnd']>['kind'], recoverable = false) => ({
  ...{ kind, recoverable, impact: 2.27, credit: 0.5, deadline: recoverable ? '2026-10-27T12:00:00Z' : null },
});

const stateOf = (more: object): string => {
  const item = {
    ...anItem(),
    figures: null,
    grade: aGrade(81.3),
    scale: { method: 'points', outOf: 100, decimals: 1 },
    ...more,
  } as unknown as ItemDetail; // all that its state reads
  const { container, unmount } = show(<State item={item} />);
  const said = container.textContent ?? '';
  unmount();
  return said;
};

it.each<[what: string, more: object, said: RegExp]>([
  ['a score', { state: scored(17) }, /^graded · 17 of 20 points/],
  [
    'a zero beside its state',
    { state: scored(0), looseEnd: loose('zero') },
    /^scored 0, no comment: worth asking · 0 of 20 points/,
  ],
  [
    'the lowest score, too',
    { state: scored(10), looseEnd: loose('at-floor') },
    /lowest score.* · 10 of 20 points/,
  ],
  ['no worth beside what is missing', { looseEnd: loose('missing', true) }, /^(?!.*20).*Turn in by/],
])('says %s', (_, more, said) => {
  expect(stateOf(more)).toMatch(said);
});
