import { useTranslation } from 'react-i18next';
import type { TFunction } from 'i18next';
import type { CourseDetail } from '@cadro/contract';
import { openEndsOf, spanSteps } from '@cadro/core';
import { type Format } from '../../../i18n';
import { useFormat } from '../../../household';
import { Heading, Stack, Words } from '../../../ui';

/** A point of this size is not worth a sentence. */
const noticeable = 5e-3;

function looseEndSentences(t: TFunction, format: Format, { figures, scale }: CourseDetail): string[] {
  const ends = (figures ? openEndsOf(figures) : []).filter(({ kind }) => kind !== 'unmarked');
  const { ifLeft = null, ifMadeUp = null } = figures ?? {};
  if (ends.length === 0 || ifLeft === null || ifMadeUp === null) return [];
  const late = ends.filter(({ recoverable }) => !recoverable).length;
  const gain = ifMadeUp - ifLeft;
  const decimals = Math.max(1, scale.decimals);
  return [
    ...(gain > noticeable
      ? [
          t('change.madeUp', {
            figure: format.figure(ifMadeUp, decimals),
            left: format.figure(ifLeft, decimals),
            count: ends.length - late,
          }),
        ]
      : late < ends.length
        ? [t('change.noGain')]
        : []),
    ...(late > 0 ? [t('change.tooLate', { count: late })] : []),
  ];
}

function neededSentences(t: TFunction, format: Format, course: CourseDetail): string[] {
  const { needed, scale, toCome: count } = course;
  if (count === 0) return [t('change.nothingToCome')];
  const names = new Map(spanSteps(scale, { from: 0, to: scale.outOf }).map(({ at, label }) => [at, label]));
  // What cannot be reached says all about what lies beyond it.
  const far = needed.findIndex(({ status }) => status === 'out-of-reach');
  return needed.slice(0, far < 0 ? undefined : far + 1).map(({ target, status, x }) => {
    const label = names.get(target) ?? '';
    const figure = format.amount(target);
    const step = label === figure ? figure : t('change.step', { letter: label, figure });
    return t(`change.${status}`, { step, count, percent: format.percent(Math.ceil((x ?? 0) * 100) / 100) });
  });
}

/** What would change the figure: the loose ends, and what the next steps ask of the work still to come. */
export function Change({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  if (course.figures === null || course.figures.posted === null) return null;
  if (course.term.state === 'closed') return null;
  const sentences = [...looseEndSentences(t, format, course), ...neededSentences(t, format, course)];
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('change.title')}</Heading>
      {sentences.map((sentence) => (
        <Words key={sentence}>{sentence}</Words>
      ))}
    </Stack>
  );
}
