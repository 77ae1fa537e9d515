import type { TFunction } from 'i18next';
import type { CourseDetail, FollowUpSummary, Meeting } from '@cadro/contract';
import { dayMs } from '@cadro/core';
import type { Format } from '../i18n';
import { causeWords, deltaWords } from '../gradebook';

/** A line of the page that is brought: Cadro's, with the same id for the same thing, or the family's own. */
export interface Line {
  readonly id: string;
  readonly text: string;
  readonly own?: true;
}

/** A course on the page: how it stands, how far it can fall and rise, and what moved it lately. */
export interface CourseOnPage {
  readonly id: string;
  readonly title: string;
  readonly figure: string;
  /** Empty where nothing is open. */
  readonly span: string;
  readonly moved: readonly string[];
}

interface Says {
  readonly t: TFunction;
  readonly format: Format;
}

/** Of the last four weeks the changes that moved a course most are brought. */
const latelyMs = 28 * dayMs;
const mostMoved = 3;
/** Less than this on the course's scale nobody sees. */
const least = 0.01;

export function courseOnPage({ t, format }: Says, course: CourseDetail): CourseOnPage {
  const { id, title, grade, figures, scale, moved, asOf } = course;
  const since = Date.parse(asOf) - latelyMs;
  const written = (value: number) => format.figure(value, scale.decimals);
  const ends = figures && figures.ifLeft !== null && figures.ifMadeUp !== null ? figures : null;
  const apart = ends && written(ends.ifLeft ?? 0) !== written(ends.ifMadeUp ?? 0);
  return {
    ...{ id, title, figure: format.grade(grade) },
    span:
      ends && apart
        ? t('meeting.span', { ifLeft: written(ends.ifLeft ?? 0), ifMadeUp: written(ends.ifMadeUp ?? 0) })
        : '',
    moved: moved
      .filter(({ delta, at }) => Math.abs(delta ?? 0) >= least && Date.parse(at) >= since)
      .sort((a, b) => Math.abs(b.delta ?? 0) - Math.abs(a.delta ?? 0))
      .slice(0, mostMoved)
      .sort((a, b) => b.at.localeCompare(a.at))
      .map((step) =>
        t('meeting.step', {
          cause: causeWords(t, format, step),
          delta: deltaWords(t, format, step.delta),
        }),
      ),
  };
}

type Open = Pick<FollowUpSummary, 'id' | 'studentId' | 'courseId' | 'title' | 'step'>;

/** Open follow-ups of a child that somebody can answer: about their courses; of who teaches none, about no course. */
export const openWith = <F extends Open>(
  followUps: readonly F[],
  { studentId, courseIds }: { readonly studentId: string; readonly courseIds: ReadonlySet<string> },
): F[] =>
  followUps.filter(
    ({ courseId, step, ...each }) =>
      each.studentId === studentId &&
      step !== 'settled' &&
      (courseIds.size > 0 ? courseId !== null && courseIds.has(courseId) : courseId === null),
  );

/** What is asked: what follow-ups have left open, then the family's own; without what is left out. */
export function questionLines(
  { t }: Pick<Says, 't'>,
  followUps: readonly Open[],
  { questions, hidden }: Pick<Meeting, 'questions' | 'hidden'>,
): Line[] {
  const out = new Set(hidden);
  const open = followUps
    .map(({ id, title, step }) => ({
      id: `follow-up:${id}`,
      text: t('meeting.since', { title, what: t(`meeting.steps.${step}`) }),
    }))
    .filter(({ id }) => !out.has(id));
  return [...open, ...questions.map(({ id, text }) => ({ id, text, own: true as const }))];
}
