import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { ReactElement } from 'react';
import { Provider } from 'react-redux';
import type { CourseDetail, CourseFigures, ItemSummary, Me, Reconciliation } from '@cadro/contract';
import { householdApi } from '../../household';
import { startTexts } from '../../testing/texts';
import { store } from '../../store';
import { Theme } from '../../ui';
import { aGrade } from '../../testing/grades';
import { anItem as item } from '../../testing/items';
import { Change } from './policy/Change';
import { Rules } from './policy/Rules';
import { NotInFigure } from './NotInFigure';
import { Reconciled } from './Reconciled';
import { Why } from './Why';

/* The sections of a course's page, each with the odd courses it must have words for. */
startTexts('en');
const me: Me = {
  id: 'g',
  name: 'Ottoline Aldervane',
  givenName: 'Ottoline',
  confirmed: true,
  shownAs: null,
  leavesAt: null,
  consent: null,
  keeps: { mailDays: 180, leftDays: 730 },
  agreed: null,
  email: 'ottoline@aldervane.example',
  language: 'en',
  now: '2026-10-21T19:40:00Z',
  demo: false,
  children: [
    {
      id: 's',
      givenName: 'Isolde',
      familyName: 'Aldervane',
      year: '11',
      schoolName: 'Gannet Head',
      timeZone: 'America/Halifax',
      byHand: false,
      // She may look: what one writes or corrects is not offered to her.
      role: 'look-only',
    },
  ],
};
beforeAll(async () => {
  await store.dispatch(householdApi.util.upsertQueryData('me', undefined, me));
});
const show = (element: ReactElement) =>
  render(
    <Provider store={store}>
      <Theme wish="light">{element}</Theme>
    </Provider>,
  );
const text = (pattern: RegExp) => screen.queryByText(pattern)?.textContent ?? null;

const sum = (id: string, earned: number, possible: number, cost: number | null) => ({
  id,
  fraction: possible > 0 ? earned / possible : null,
  earned,
  possible,
  cost,
  dropped: [],
});
const figures = (more: Partial<CourseFigures> = {}): CourseFigures => ({
  posted: 85,
  display: 85,
  letter: 'B',
  categories: [sum('c', 17, 20, 15)],
  standards: [],
  ifLeft: 85,
  ifMadeUp: 85,
  best: 85,
  looseEnds: [],
  chances: [],
  trend: { class: 'steady', slope: 0 },
  ...more,
});
const category = (id: string, title: string, weight: number) => ({
  id,
  title,
  weight,
  dropLowest: 0,
  counts: true,
});
const course = (more: Partial<CourseDetail> = {}): CourseDetail => ({
  id: 'k',
  studentId: 's',
  title: 'Kelp chemistry',
  teacher: null,
  scale: { method: 'weighted', outOf: 100, decimals: 1, letters: [{ letter: 'A', from: 0.9 }] },
  figures: figures(),
  grade: aGrade(85, 'B'),
  ended: null,
  leftAs: 0,
  termEnd: '2026-11-07T03:59:00Z',
  doubtful: null,
  itemCount: 1,
  nextDue: null,
  target: null,
  freshness: { sourceName: 'Gannet Head', byHand: false, readAt: null, failingSince: null },
  asOf: '2026-10-21T19:40:00Z',
  term: { id: 't', title: 'First quarter', startsOn: '2026-09-07', endsOn: '2026-11-06', state: 'running' },
  terms: [],
  room: null,
  period: null,
  policy: { method: 'weighted', termEnd: '2026-11-07T03:59:00Z' },
  corrected: false,
  policyTold: true,
  categories: [category('c', 'Homework', 100)],
  standards: [],
  items: [],
  moved: [],
  earlier: [],
  needed: [],
  toCome: 0,
  reconciliation: null,
  attendance: null,
  comments: [],
  ...more,
});

describe('why', () => {
  it('says what each category has cost, and that it is all', () => {
    const two = course({
      categories: [category('c', 'Homework', 40), category('d', 'Papers', 60)],
      figures: figures({ posted: 62, categories: [sum('c', 17, 40, 23), sum('d', 15, 20, 15)] }),
    });
    show(<Why course={two} />);
    expect(text(/^costs 23\.0$/)).not.toBeNull();
    expect(text(/^costs 15\.0$/)).not.toBeNull();
    expect(text(/^Together they cost 38\.0 points: 100 becomes 62\.0\.$/)).not.toBeNull();
    expect(text(/add up to/)).toBeNull();
  });

  it.each([
    [90, [30, 60]],
    [110, [50, 60]],
  ])('says that the weights sum to %d', (total, [first, second]) => {
    show(
      <Why
        course={course({ categories: [category('c', 'One', first ?? 0), category('d', 'Two', second ?? 0)] })}
      />,
    );
    expect(text(new RegExp(`The weights add up to ${total}, not 100`))).not.toBeNull();
  });

  it('says how much a category weighs while another has no marks', () => {
    const one = course({
      categories: [category('c', 'Homework', 40), category('d', 'Papers', 60)],
      figures: figures({ categories: [sum('c', 17, 20, 15), sum('d', 0, 0, null)] }),
    });
    show(<Why course={one} />);
    expect(text(/weight 40 · now 100% of the grade · 17 of 20 points/)).not.toBeNull();
    expect(text(/weight 60 · no scores yet/)).not.toBeNull();
  });

  it('speaks of what lies above the scale', () => {
    show(<Why course={course({ figures: figures({ posted: 130, categories: [sum('c', 26, 20, -30)] }) })} />);
    expect(text(/^adds 30\.0$/)).not.toBeNull();
    expect(text(/^Together they are 30\.0 points above 100: 130\.0\.$/)).not.toBeNull();
  });

  it('tells what will count while nothing does', () => {
    const practice = { ...category('p', 'Practice', 0), counts: false };
    const empty = course({
      categories: [category('c', 'Tests', 100), practice],
      figures: figures({ posted: null, display: null, categories: [sum('c', 0, 0, null)] }),
    });
    show(<Why course={empty} />);
    expect(screen.getByRole('heading', { name: 'What will count' })).toBeTruthy();
    expect(text(/^required, doesn’t count$/)).not.toBeNull();
    expect(text(/^Together/)).toBeNull();
  });
});

describe('what would change it', () => {
  const end = (more: object) => ({
    itemId: 'i',
    kind: 'missing' as const,
    recoverable: true,
    credit: 0.5,
    deadline: '2026-11-06T12:00:00Z',
    impact: 2.5,
    ...more,
  });
  it.each<[string, Partial<CourseDetail>, RegExp]>([
    [
      'a loose end',
      { figures: figures({ ifLeft: 76, ifMadeUp: 79, looseEnds: [end({})] }) },
      /^With the loose end made up, about 79\.0\. If nothing changes, 76\.0\.$/,
    ],
    [
      'two, one of them too late',
      { figures: figures({ ifLeft: 76, ifMadeUp: 79, looseEnds: [end({}), end({ recoverable: false })] }) },
      /^One loose end can no longer be made up\.$/,
    ],
    [
      'a loose end and a second chance',
      {
        figures: figures({
          ifLeft: 76,
          ifMadeUp: 82,
          looseEnds: [end({})],
          chances: [{ itemId: 'again', credit: 1, deadline: '2026-10-30T02:59:00Z', impact: 3, most: 5 }],
        }),
      },
      /^With the 2 loose ends made up, about 82\.0\. If nothing changes, 76\.0\.$/,
    ],
    [
      'loose ends that would hardly matter',
      { figures: figures({ ifLeft: 76, ifMadeUp: 76, looseEnds: [end({ impact: 0 })] }) },
      /^Making up the loose ends would hardly change the grade\.$/,
    ],
    [
      'a step within reach',
      { toCome: 1, needed: [{ target: 90, status: 'reachable', x: 0.9234 }] },
      /^To reach A, which begins at 90, the one assignment still to come needs 93%\.$/,
    ],
    [
      'a step that is safe',
      { toCome: 2, needed: [{ target: 90, status: 'secured', x: 0 }] },
      /^A, which begins at 90, is safe whatever the 2 assignments still to come bring\.$/,
    ],
    ['nothing known to come', { items: [item()] }, /^No more assignments are posted yet/],
  ])('%s', (_name, more, sentence) => {
    show(<Change course={course(more)} />);
    expect(text(sentence)).not.toBeNull();
  });
  it.each<[string, Partial<CourseDetail>]>([
    ['there is no figure', { figures: figures({ posted: null }) }],
    ['the term is over', { term: { ...course().term, state: 'closed' } }],
  ])('is not asked where %s', (_name, more) => {
    const { container } = show(<Change course={course(more)} />);
    expect(container.textContent).toBe('');
  });
});

describe('what is not in the figure', () => {
  it('names the works by reason, and counts what it does not name', () => {
    const waiting = { status: 'handed-in' as const, at: null, earned: null, late: false, levels: {} };
    const items = Array.from({ length: 6 }, (_, index) =>
      item({ id: `w${index}`, title: `Log ${index}`, state: waiting }),
    );
    show(<NotInFigure course={course({ items: [...items, item({ title: 'Chart', counts: false })] })} />);
    expect(text(/^6 are turned in and not graded yet$/)).not.toBeNull();
    expect(text(/^Log 0, Log 1, Log 2, Log 3, and 2 more$/)).not.toBeNull();
    expect(text(/^1 doesn’t count: required practice$/)).not.toBeNull();
  });
  it.each<[string, ItemSummary[]]>([
    ['all is in it', []],
    ['the rest are notices, which ask for nothing', [item({ title: 'Agenda', possible: 0, notice: true })]],
  ])('is silent where %s', (_name, items) => {
    const { container } = show(<NotInFigure course={course({ items })} />);
    expect(container.textContent).toBe('');
  });
});

describe('the school’s figure', () => {
  const reconciliation = (more: Partial<Reconciliation>): Reconciliation => ({
    stated: 85,
    letter: 'B',
    at: '2026-10-21T18:30:00Z',
    final: false,
    ours: 85,
    ourLetter: 'B',
    verdict: 'same',
    reasons: [],
    ...more,
  });
  const shown = (more: Partial<Reconciliation>, rest: Partial<CourseDetail> = {}) =>
    show(<Reconciled course={course({ reconciliation: reconciliation(more), ...rest })} />);

  it('is said quietly where it is the same', () => {
    shown({});
    expect(text(/^The school shows the same: 85\.0 B, today, 3:30 PM\.$/)).not.toBeNull();
  });
  it('with another letter points at the letter steps', () => {
    shown({ letter: 'A' });
    expect(text(/^The school’s letter is A, ours is B: its cutoffs may be different\.$/)).not.toBeNull();
  });
  it('is called the same where it is only rounded', () => {
    shown(
      { stated: 85, ours: 84.6, verdict: 'rounded' },
      { grade: { ...aGrade(85, 'B'), decimals: 0, by: 'school' } },
    );
    expect(text(/^The school shows 85 B, today, 3:30 PM: the same, rounded\.$/)).not.toBeNull();
  });
  it.each<[string, Reconciliation['reasons'][number], RegExp]>([
    ['a later mark', { kind: 'later-mark', itemIds: ['i'] }, /^A score has come in since: Tide table\.$/],
    ['overdue work', { kind: 'overdue-as-zero' }, /count overdue work as 0 already/],
    ['a floor', { kind: 'policy', correction: { floor: 0.5 } }, /^It adds up with a lowest score of 50%\.$/],
    [
      'incomplete',
      { kind: 'policy', correction: { incompleteCounts: 'zero' } },
      /^It adds up if incomplete work already counts as 0\.$/,
    ],
    [
      'drops',
      { kind: 'policy', correction: { categories: [{ id: 'c', dropLowest: 1 }] } },
      /^It adds up if the lowest score in each category is dropped\.$/,
    ],
    [
      'no drops',
      { kind: 'policy', correction: { categories: [{ id: 'c', dropLowest: 0 }] } },
      /^It adds up if no low score is dropped\.$/,
    ],
    [
      'equal weights',
      { kind: 'policy', correction: { categories: [{ id: 'c', weight: 1 }] } },
      /all categories weigh the same/,
    ],
    ['nothing we know', { kind: 'not-published' }, /^Nothing we know explains it\./],
  ])('differs by %s, calmly', (_name, reason, sentence) => {
    shown({ stated: 80, verdict: 'differs', reasons: [reason] }, { items: [item()] });
    expect(text(/^The school shows 80\.0 B\. By our count it’s 85\.0\.$/)).not.toBeNull();
    expect(text(sentence)).not.toBeNull();
    // Who may only look is not asked to correct anything.
    expect(screen.queryByRole('link')).toBeNull();
  });
  it('tells that one’s own correction is at work', () => {
    show(<Reconciled course={course({ corrected: true })} />);
    expect(text(/your adjustment/)).not.toBeNull();
  });
});

it('tells who may only look how it is counted, and offers no correction', () => {
  show(<Rules course={course()} />);
  expect(text(/^Missing work counts as 0 until it’s turned in\.$/)).not.toBeNull();
  expect(screen.queryByRole('link')).toBeNull();
});

it('hands a list to the browser as a file', async () => {
  const clicked: { name: string; href: string }[] = [];
  const blobs: Blob[] = [];
  Object.assign(URL, {
    createObjectURL: (blob: Blob) => {
      blobs.push(blob);
      return 'blob:x';
    },
    revokeObjectURL: () => undefined,
  });
  jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
    clicked.push({ name: this.download, href: this.href });
  });
  show(<Why course={course()} />);
  fireEvent.click(screen.getByRole('button', { name: 'Download CSV: Kelp chemistry, categories' }));
  await waitFor(() => expect(clicked).toEqual([{ name: 'kelp-chemistry-categories.csv', href: 'blob:x' }]));
  const reader = new FileReader();
  const read = new Promise<string>((done) => {
    reader.onload = () => done(String(reader.result));
  });
  reader.readAsText(blobs[0] ?? new Blob());
  expect(await read).toBe(
    'Category,Weight,Stands at,Earned,Possible,Points lost\r\nHomework,100,0.85,17,20,15\r\n',
  );
});
