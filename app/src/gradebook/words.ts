import type { TFunction } from 'i18next';
import type {
  CourseFigures,
  CourseGrade,
  CourseSummary,
  EndedTerm,
  ItemSummary,
  OpenKind,
  Scale,
} from '@cadro/contract';
import { openEndsOf } from '@cadro/core';
import type { Format } from '../i18n';

/** 0.5 → 'half credit'. */
export function creditWords(t: TFunction, format: Format, credit: number): string {
  if (credit >= 1) return t('credit.full');
  if (Math.abs(credit - 0.75) < 1e-9) return t('credit.threeQuarters');
  if (Math.abs(credit - 0.5) < 1e-9) return t('credit.half');
  return t('credit.share', { percent: format.percent(credit) });
}

/** How a work stands, in words; never a number alone. */
export function stateWords(
  t: TFunction,
  item: Pick<ItemSummary, 'state' | 'looseEnd' | 'dueAt'> &
    Partial<Pick<ItemSummary, 'waitingSince' | 'classroom' | 'notice' | 'remarked'>>,
): string {
  const { state, looseEnd, dueAt, waitingSince = null, classroom, notice, remarked } = item;
  if (notice) return t('item.states.notice');
  // What may only be under way between two systems is called by no other name.
  if (classroom?.doubt === 'doubtful') return t('item.states.doubtful');
  const least = looseEnd?.kind === 'zero' || looseEnd?.kind === 'at-floor' ? looseEnd.kind : null;
  if (least && remarked) return t(`item.states.${least}Remarked`);
  if (state.status === 'open' && waitingSince !== null && looseEnd === null) return t('item.states.taken');
  const key =
    looseEnd && looseEnd.kind !== 'missing' && looseEnd.kind !== 'incomplete'
      ? looseEnd.kind
      : state.status === 'open' && !dueAt
        ? 'undated'
        : state.status;
  return [t(`item.states.${key}`), ...(state.late ? [t('item.late')] : [])].join(', ');
}

type SaidBy = Pick<ItemSummary['state'], 'status' | 'earned' | 'at'>;

/** What gradebook and classroom say of a work, each with its age: laid side by side. */
export const sourcesWords = (
  t: TFunction,
  format: Format,
  gradebook: SaidBy,
  classroom: SaidBy,
  possible: number,
): string[] =>
  [['gradebook', gradebook] as const, ['classroom', classroom] as const].map(([which, said]) => {
    const source = t(`work.sources.${which}`);
    if (!said.at) return t('work.sources.never', { source });
    const what =
      said.status === 'scored' && said.earned !== null
        ? t('item.score', { earned: format.amount(said.earned), possible: format.amount(possible) })
        : t(`item.states.${said.status}`);
    return t('work.sources.says', { source, what, when: format.recent(said.at) });
  });

/** '17 of 20', 'worth 20', or a level: the number at the right of a work's row. */
export function worthWords(t: TFunction, format: Format, item: ItemSummary, scale: Scale): string {
  const { state, possible } = item;
  const levels = Object.values(state.levels);
  if (scale.method === 'standards')
    return levels[0] === undefined ? '' : t('item.level', { level: format.amount(levels[0]) });
  if (state.status === 'scored' && state.earned !== null) {
    return t('item.score', { earned: format.amount(state.earned), possible: format.amount(possible) });
  }
  return possible > 0 ? t('item.worth', { possible: format.amount(possible) }) : '';
}

/** What making up a loose end would add, until when; empty where it adds nothing one would see. */
export function gainWords(
  t: TFunction,
  format: Format,
  { looseEnd, chance, classroom }: Pick<ItemSummary, 'looseEnd' | 'chance' | 'classroom'>,
): string {
  if (chance) {
    const again = { credit: creditWords(t, format, chance.credit), date: format.day(chance.deadline) };
    const gain = chance.impact !== null && chance.impact >= 5e-3 ? format.amount(chance.impact) : null;
    return gain === null ? t('item.rowAgain', again) : t('item.rowAgainGain', { ...again, gain });
  }
  if (
    classroom?.doubt === 'doubtful' ||
    !looseEnd?.recoverable ||
    looseEnd.impact === null ||
    looseEnd.impact < 5e-3 ||
    !looseEnd.deadline
  ) {
    return '';
  }
  return t('item.rowGain', { gain: format.amount(looseEnd.impact), date: format.day(looseEnd.deadline) });
}

const kindOrder: readonly OpenKind[] = [
  'overdue',
  'missing',
  'incomplete',
  'zero',
  'at-floor',
  'again',
  'unmarked',
];

/** '1 overdue, not counted · 1 missing · 1 can be redone'; empty where nothing is open. */
export function openWords(t: TFunction, figures: CourseFigures): string {
  const open = openEndsOf(figures);
  return kindOrder
    .map((kind) => ({ kind, count: open.filter((end) => end.kind === kind).length }))
    .filter(({ count }) => count > 0)
    .map(({ kind, count }) => t(`courses.open.${kind}`, { count }))
    .join(' · ');
}

/** '2 of 2 assessed so far are met; 2 come later': not assessed yet is not the same as not met. */
export function standardsWords(t: TFunction, standards: readonly { met: boolean | null }[]): string {
  const assessed = standards.filter(({ met }) => met !== null);
  const later = standards.length - assessed.length;
  if (assessed.length === 0) return t('courses.noneAssessed');
  const met = assessed.filter((standard) => standard.met).length;
  return [
    t('courses.standards', { met, assessed: assessed.length }),
    ...(later > 0 ? [t('courses.later', { count: later })] : []),
  ].join('; ');
}

export const hasGrade = ({ figure, letter }: CourseGrade): boolean => figure !== null || letter !== null;

/** 'By our count 76.6 C', where ours differs from the school's grade; empty where it does not. */
export const countWords = (t: TFunction, format: Format, { count }: CourseGrade): string =>
  count ? t('courses.byOurCount', { grade: format.grade(count) }) : '';

/** The span in a sentence. */
export function spanWords(
  t: TFunction,
  format: Format,
  { figures, grade, scale }: Pick<CourseSummary, 'figures' | 'grade' | 'scale'>,
): string {
  const say = (value: number | null) => format.figure(value, scale.decimals);
  if (!hasGrade(grade)) return t('courses.noFigure');
  const count = countWords(t, format, grade);
  return [
    t('courses.spanPosted', { posted: format.grade({ ...grade, letter: null }), outOf: scale.outOf }),
    ...(count ? [`${count}.`] : []),
    ...(!figures || figures.ifLeft === null
      ? []
      : [t('courses.spanEnds', { left: say(figures.ifLeft), up: say(figures.ifMadeUp) })]),
  ].join(' ');
}

/** How the term before ended: the school's grade, or that it has not reported yet. */
/** What the school has made of the work that was left when a term ended. */
const decidedWords = (t: TFunction, format: Format, { decided }: EndedTerm): string[] =>
  decided.map(({ title, was, status, earned, possible }) =>
    t('courses.ended.decided', {
      title,
      was: t(`kinds.${was}`),
      now:
        earned === null
          ? t(`item.states.${status}`)
          : t('item.score', { earned: format.amount(earned), possible: format.amount(possible) }),
    }),
  );

/** How the term before ended, with what has been decided since. */
export const endedWords = (t: TFunction, format: Format, ended: EndedTerm): string =>
  [endingWords(t, format, ended), ...decidedWords(t, format, ended)].join('. ');

function endingWords(t: TFunction, format: Format, { title, endedOn, grade }: EndedTerm): string {
  const date = format.date(endedOn);
  const written = format.grade(grade);
  if (grade.by === 'final') {
    const count = countWords(t, format, grade);
    return [t('courses.ended.final', { term: title, grade: written }), ...(count ? [count] : [])].join(' · ');
  }
  if (!hasGrade(grade)) return t('courses.ended.none', { term: title, date });
  return t(`courses.ended.${grade.by}`, { term: title, date, grade: written });
}
