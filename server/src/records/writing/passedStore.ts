import { plainTitle } from '@cadro/core/own';
import type { Trx } from '../../kit';
import type { NeutralRecord } from './neutral';
import { tableShapes } from './tables';

/** A child whose id names another one by now. */
interface Passed {
  readonly externalId: string;
  readonly studentId: string;
}

interface Named {
  readonly given: string;
  readonly family: string;
}

/** One name for another of the same person: shorter, longer, or written otherwise. */
const begins = (a: string, b: string): boolean =>
  a !== '' && b !== '' && (a.startsWith(b) || b.startsWith(a));

/** Parts of a family name that tell families apart: 'de', 'la', 'van' are everybody's. */
const telling = (family: string): string[] => family.split(' ').filter((part) => part.length > 3);

/**
 * Whether two names can be one child's. People take another family name, and go by another given one; not both in a day.
 */
function canBeOne(before: Named, now: Named): boolean {
  const [family, familyNow] = [plainTitle(before.family), plainTitle(now.family)];
  const [given, givenNow] = [plainTitle(before.given), plainTitle(now.given)];
  const sharesFamily =
    (family !== '' && family === familyNow) ||
    telling(family).some((part) => telling(familyNow).includes(part));
  return sharesFamily || begins(given, givenNow);
}

/** Where rows bear a name of the source's and are a child's; codes are not passed on at all. */
const ofChild = [
  ...new Set(
    Object.values(tableShapes)
      .filter(({ refs, updatesOnly }) => refs?.['student_id'] !== undefined && !updatesOnly)
      .map(({ table }) => table),
  ),
].filter((table) => table !== 'link_codes');

/**
 * Sets a child apart whose id has passed to another: what was told of it stays with it under names that no source gives,
 * its places in classes end, and its codes open nothing any more. The id is free then for the child it names now.
 */
export async function setApartPassed(
  trx: Trx,
  sourceId: string,
  records: readonly NeutralRecord[],
): Promise<Passed[]> {
  const known = await trx('students')
    .where({ source_id: sourceId })
    .whereIn(
      'external_id',
      records.map(({ id }) => id),
    )
    .select<{ id: string; external_id: string; given_name: string; family_name: string }[]>(
      'id',
      'external_id',
      'given_name',
      'family_name',
    );
  const now = new Map(records.map((record) => [record.id, record]));
  const passed = known.filter(({ external_id, given_name, family_name }) => {
    const record = now.get(external_id);
    const named = { given: String(record?.['given_name']), family: String(record?.['family_name']) };
    return record && !record.gone && !canBeOne({ given: given_name, family: family_name }, named);
  });
  const ids = passed.map(({ id }) => id);
  if (ids.length === 0) return [];
  for (const table of ofChild)
    await trx.raw(
      `update ${table} set external_id = 'passed:' || student_id || ':' || external_id
       where source_id = :sourceId and student_id = any(:ids::uuid[])`,
      { sourceId, ids },
    );
  await trx('enrolments').whereIn('student_id', ids).update({ told_active: false, active: false });
  await trx('link_codes').whereIn('student_id', ids).delete();
  await trx.raw(
    `update students set external_id = 'passed:' || id || ':' || external_id where id = any(:ids::uuid[])`,
    { ids },
  );
  return passed.map(({ id, external_id }) => ({ studentId: id, externalId: external_id }));
}
