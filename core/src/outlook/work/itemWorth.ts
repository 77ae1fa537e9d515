import type { CourseRecord, ItemWorth } from '@cadro/contract';
import { courseAnswer } from '../courseAnswer';

/**
 * What one work means to the posted figure, in points of the course's scale: how much it decides between nothing and
 * full, and what it has done so far. Null where there would be no figure without it or with it.
 * Example: 18 of 20 on the only other work, and this one 10 of 20 → it decides 50, and has cost 20.
 */
export function itemWorth(record: CourseRecord, itemId: string): ItemWorth {
  const item = (record.items ?? []).find(({ id }) => id === itemId);
  if (!item || record.policy.method === 'standards') return { decides: null, now: null };
  const others = (record.results ?? []).filter((result) => result.itemId !== itemId);
  const postedWith = (earned: number) =>
    courseAnswer({
      ...record,
      results: [...others, { itemId, at: record.asOf, status: 'scored', earned }],
    }).posted;
  const [full, nothing] = [postedWith(item.possible), postedWith(0)];
  const posted = courseAnswer(record).posted;
  const without = courseAnswer({ ...record, results: others }).posted;
  return {
    decides: full === null || nothing === null ? null : full - nothing,
    now: posted === null || without === null ? null : posted - without,
  };
}
