import type { CourseDetail, ItemSummary } from '@cadro/contract';

/** Why a work is not in the figure. */
export const notInFigureReasons = [
  'practice',
  'weightless',
  'excused',
  'waiting',
  'overdue',
  'missingNot',
  'incompleteNot',
  'dropped',
  'unscored',
  'extraAlone',
  'extraOpen',
  'undated',
  'ahead',
] as const;
export type NotInFigure = (typeof notInFigureReasons)[number];

/** Why a work is not in the figure as it stands; null when it is, and of a notice, which asks for nothing. */
export function whyNotInFigure(
  item: ItemSummary,
  course: Pick<CourseDetail, 'policy' | 'categories' | 'figures'>,
): NotInFigure | null {
  const { policy, categories, figures } = course;
  const category = categories.find(({ id }) => id === item.categoryId);
  if (item.notice) return null;
  if (item.possible === 0) return 'weightless';
  if (!item.counts) return 'practice';
  if (policy.method === 'weighted' && category && category.weight <= 0) return 'weightless';
  if (figures?.categories.some(({ dropped }) => dropped.includes(item.id))) return 'dropped';
  if (item.extraCredit) {
    if (item.state.status !== 'scored') return 'extraOpen';
    const alone = (figures?.categories.find(({ id }) => id === item.categoryId)?.fraction ?? null) === null;
    return alone ? 'extraAlone' : null;
  }
  switch (item.state.status) {
    case 'scored':
      return item.state.earned === null ? 'unscored' : null;
    case 'excused':
      return 'excused';
    case 'handed-in':
      return 'waiting';
    case 'missing':
      return policy.missingCounts === 'not' ? 'missingNot' : null;
    case 'incomplete':
      return policy.incompleteCounts === 'zero' ? null : 'incompleteNot';
    case 'open':
      if (item.dueAt === null) return 'undated';
      if (item.waitingSince !== null) return 'waiting';
      return item.looseEnd?.kind === 'overdue' ? 'overdue' : 'ahead';
  }
}
