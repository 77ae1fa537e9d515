import {
  figureCases,
  type AttendanceCase,
  type ComposeCase,
  type CourseCase,
  type GpaCase,
} from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import {
  attendanceFault,
  attendanceSummary,
  compose,
  courseAnswer,
  courseFault,
  gradePointAverage,
  type Fault,
} from '@cadro/core';
import { answerOrFault, FaultyCase } from './cases';

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
export const answerCase = (asked: unknown): Promise<unknown> => answerOrFault(() => answerKnown(asked));
