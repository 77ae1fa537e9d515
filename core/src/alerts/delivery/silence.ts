import type { AlertSubject, Silence } from '@cadro/contract';

const fits = (wanted: string | null, is: string | null): boolean => wanted === null || wanted === is;

/** Whether something is not to be told on a day: all that a silence names has to fit. */
export const isSilenced = (
  { key, kind, studentId, courseId }: AlertSubject,
  silences: readonly Silence[],
  today: string,
): boolean =>
  silences.some(
    (silence) =>
      silence.until >= today &&
      fits(silence.alertKey, key) &&
      fits(silence.kind, kind) &&
      fits(silence.studentId, studentId) &&
      fits(silence.courseId, courseId),
  );
