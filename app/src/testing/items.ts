import type { ItemSummary } from '@cadro/contract';

/** A work that is open and due in a week, for the tests of a course's page. */
export const anItem = (more: Partial<ItemSummary> = {}): ItemSummary => ({
  id: 'i',
  title: 'Tide table',
  categoryId: 'c',
  possible: 20,
  counts: true,
  extraCredit: false,
  assignedAt: null,
  dueAt: '2026-10-28T12:00:00Z',
  state: { status: 'open', at: null, earned: null, late: false, levels: {} },
  looseEnd: null,
  chance: null,
  waitingSince: null,
  notice: false,
  classroom: null,
  was: null,
  own: null,
  unit: null,
  commentCount: 0,
  remarked: false,
  ...more,
});
