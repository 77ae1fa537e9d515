import type { TFunction } from 'i18next';
import type { AbsenceLetter } from '@cadro/contract';
import type { Format } from '../../i18n';

export interface ChosenLesson {
  readonly on: string;
  /** Null for the whole day. */
  readonly period: string | null;
  readonly courseTitle: string | null;
}

/** A letter to the desk out of what was chosen: the child, the days, the lessons and the reason, and nothing else. */
export function letterDraft(
  t: TFunction,
  format: Format,
  letter: {
    readonly purpose: AbsenceLetter['purpose'];
    readonly child: string;
    readonly guardian: string;
    readonly lessons: readonly ChosenLesson[];
    readonly reason: string;
    /** How it begins. */
    readonly opening: string;
  },
): { subject: string; text: string } {
  const { purpose, child, guardian, lessons, reason, opening } = letter;
  const dates = [...new Set(lessons.map(({ on }) => on))].sort();
  const lines = dates.map((on) => {
    const titles = lessons.flatMap((lesson) =>
      lesson.on === on && lesson.period !== null
        ? [lesson.courseTitle ?? t('days.lesson', { period: lesson.period })]
        : [],
    );
    return t('letter.line', {
      date: format.date(on),
      lessons: titles.length > 0 ? format.list(titles) : t('letter.whole'),
    });
  });
  const why = reason.trim();
  return {
    subject: t(`letter.subjects.${purpose}`, { child, days: format.list(dates.map(format.date)) }),
    text: [
      opening,
      [t(`letter.${purpose}`, { child }), ...lines].join('\n'),
      ...(why ? [t(purpose === 'object' ? 'letter.wrongLine' : 'letter.reasonLine', { reason: why })] : []),
      `${t('letter.close')}\n${guardian}`,
    ].join('\n\n'),
  };
}
