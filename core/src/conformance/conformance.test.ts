import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { CourseRecord, type AttendanceRecord } from '@cadro/contract';
import { misfits } from '@cadro/contract/parse';
import { attendanceSummary } from '../attendance';
import { courseFigures } from '../outlook';

/*
 * Worked cases on which two independent reference programs agree. Cases with drops of the lowest scores and
 * with broken records are not asked here: the core does not answer those yet.
 */
interface Case {
  kind: string;
  record: CourseRecord & AttendanceRecord;
}
const load = (name: string): unknown => JSON.parse(readFileSync(join(__dirname, name), 'utf8'));
const cases = load('cases.json') as Case[];
const answers = load('answers.json') as Record<string, unknown>[];

function agrees(ours: unknown, theirs: unknown): boolean {
  if (typeof ours === 'number' && typeof theirs === 'number') {
    return Math.abs(ours - theirs) <= Math.max(1e-6, 1e-12 * Math.abs(theirs));
  }
  if (Array.isArray(ours) && Array.isArray(theirs)) {
    return ours.length === theirs.length && ours.every((value, index) => agrees(value, theirs[index]));
  }
  if (ours && theirs && typeof ours === 'object' && typeof theirs === 'object') {
    // Ours may say more than was asked, never less.
    return Object.entries(theirs).every(([key, value]) =>
      agrees((ours as Record<string, unknown>)[key], value),
    );
  }
  return ours === theirs;
}

const asked = (kind: string) =>
  cases.flatMap((each, index) => {
    const answer = answers[index] ?? {};
    return each.kind === kind && !('error' in answer) ? [{ index, record: each.record, answer }] : [];
  });

describe('conformance', () => {
  const courses = asked('course').filter(
    ({ record }) => !(record.categories ?? []).some(({ dropLowest }) => (dropLowest ?? 0) > 0),
  );

  it('asks a good many courses of every method', () => {
    const methods = courses.map(({ record }) => record.policy.method);
    for (const method of ['points', 'weighted', 'standards']) {
      expect(methods.filter((name) => name === method).length).toBeGreaterThan(5);
    }
  });

  it.each(courses)('course case $index', ({ record, answer }) => {
    expect(misfits(CourseRecord, record)).toEqual([]);
    const ours = courseFigures(record);
    for (const [key, value] of Object.entries(ours)) {
      expect({ [key]: value, agrees: agrees(value, answer[key]) }).toEqual({ [key]: value, agrees: true });
    }
  });

  it.each(asked('attendance'))('attendance case $index', ({ record, answer }) => {
    const ours = attendanceSummary(record);
    expect({ ours, agrees: agrees(ours, answer) }).toEqual({ ours, agrees: true });
  });
});
