import {
  figureCases,
  type AttendanceCase,
  type ComposeCase,
  type CourseCase,
  type GpaCase,
} from '@cadro/contract';
import { parse, ParseError } from '@cadro/contract/parse';
import {
  attendanceFault,
  attendanceSummary,
  compose,
  courseAnswer,
  courseFault,
  gradePointAverage,
  type Fault,
} from '@cadro/core';

/** A case that breaks its shape: where, as a JSON pointer, and why. */
class FaultyCase extends Error {
  override readonly name = 'FaultyCase';
  constructor(readonly fault: Fault) {
    super(`${fault.path}: ${fault.message}`);
  }
}

function sound(prefix: string, fault: Fault | null): void {
  if (fault) throw new FaultyCase({ path: `${prefix}${fault.path}`, message: fault.message });
}

function answerCourse({ record, targets, since }: CourseCase) {
  sound('/record', courseFault(record));
  return courseAnswer(record, { targets: targets ?? [], since: since ?? null });
}

const answerCompose = ({ parts }: ComposeCase) => ({
  fraction: compose(
    parts.map(({ weight, fraction, stored }) => ({
      weight: weight ?? 0,
      fraction: fraction ?? null,
      stored: stored ?? null,
    })),
  ),
});

const answerGpa = ({ points, courses }: GpaCase) => ({
  gpa: gradePointAverage(
    points,
    courses.map(({ letter, credits, bump }) => ({
      letter: letter ?? null,
      credits: credits ?? 0,
      bump: bump ?? 0,
    })),
  ),
});

function answerAttendance({ record }: AttendanceCase) {
  sound('/record', attendanceFault(record));
  return attendanceSummary(record);
}

function answerKnown(asked: unknown): unknown {
  const kind = typeof asked === 'object' && asked !== null && 'kind' in asked ? asked.kind : undefined;
  switch (kind) {
    case 'course':
      return answerCourse(parse('case', figureCases.course, asked));
    case 'compose':
      return answerCompose(parse('case', figureCases.compose, asked));
    case 'gpa':
      return answerGpa(parse('case', figureCases.gpa, asked));
    case 'attendance':
      return answerAttendance(parse('case', figureCases.attendance, asked));
    default:
      throw new FaultyCase({
        path: '/kind',
        message: `must be one of ${Object.keys(figureCases).join(', ')}`,
      });
  }
}

/** The answer to one question of the figures command; a case that breaks its shape answers with its error. */
export function answerCase(asked: unknown): unknown {
  try {
    return answerKnown(asked);
  } catch (error) {
    if (error instanceof FaultyCase) return { error: error.fault };
    if (error instanceof ParseError) return { error: error.misfits[0] };
    throw error;
  }
}
