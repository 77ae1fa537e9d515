import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { figureCases, type ComposeCase, type CourseCase, type GpaCase } from '@cadro/contract';
import { misfits } from '@cadro/contract/parse';
import { attendanceFault, attendanceSummary } from '../attendance';
import { compose, courseFault, gradePointAverage } from '../gradebook';
import { courseAnswer } from '../outlook';

/* Worked cases on which two independent reference programs agree. */
type Case = { kind: keyof typeof figureCases } & CourseCase & ComposeCase & GpaCase;
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

function answerOf(asked: Case): object {
  switch (asked.kind) {
    case 'course':
      return courseAnswer(asked.record, { targets: asked.targets ?? [], since: asked.since ?? null });
    case 'attendance':
      return attendanceSummary(asked.record as never);
    case 'compose':
      return {
        fraction: compose(
          asked.parts.map(({ weight, fraction, stored }) => ({
            weight: weight ?? 0,
            fraction: fraction ?? null,
            stored: stored ?? null,
          })),
        ),
      };
    case 'gpa':
      return {
        gpa: gradePointAverage(
          asked.points,
          asked.courses.map(({ letter, credits, bump }) => ({
            letter: letter ?? null,
            credits: credits ?? 0,
            bump: bump ?? 0,
          })),
        ),
      };
  }
}

function isFaulty(asked: Case): boolean {
  if (misfits(figureCases[asked.kind], asked).length > 0) return true;
  if (asked.kind === 'course') return courseFault(asked.record) !== null;
  return asked.kind === 'attendance' && attendanceFault(asked.record as never) !== null;
}

const asked = cases.map((each, index) => ({ index, kind: each.kind, each, answer: answers[index] ?? {} }));

describe('conformance', () => {
  it('asks all that is published', () => {
    expect(cases).toHaveLength(340);
    expect(answers).toHaveLength(340);
  });

  it.each(asked)('case $index, $kind', ({ each, answer }) => {
    expect(isFaulty(each)).toBe('error' in answer);
    if ('error' in answer) return;
    const ours = answerOf(each) as Record<string, unknown>;
    for (const [key, value] of Object.entries(answer)) {
      expect({ [key]: ours[key], agrees: agrees(ours[key], value) }).toEqual({
        [key]: ours[key],
        agrees: true,
      });
    }
  });
});
