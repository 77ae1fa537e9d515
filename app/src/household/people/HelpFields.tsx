import { useTranslation } from 'react-i18next';
import type { People } from '@cadro/contract';
import { daysAfter } from '@cadro/core';
import { Choice, Stack, TickLine, Words } from '../../ui';
import { useFormat } from '../useFormat';

const days = { weeks: 28, months: 91, year: 365 } as const;
type Span = keyof typeof days;
const spans: readonly Span[] = ['weeks', 'months', 'year'];

export interface Help {
  readonly courseIds: readonly string[];
  readonly span: Span;
}

/** The last day of a helper who begins today. @param now an instant. */
export const untilOf = (span: Span, now: string): string => daysAfter(now.slice(0, 10), days[span]);

/** What a helper sees, and for how long. */
export function HelpFields({
  courses,
  today,
  help,
  onChange,
}: {
  courses: People['children'][number]['courses'];
  today: string;
  help: Help;
  onChange: (help: Help) => void;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const toggle = (id: string, on: boolean) => {
    const others = help.courseIds.filter((each) => each !== id);
    onChange({ ...help, courseIds: on ? [...others, id] : others });
  };
  return (
    <Stack space={1.5}>
      <Stack space={0}>
        <Words size="small" bold>
          {t('people.helps')}
        </Words>
        {courses.map(({ id, title }) => (
          <TickLine
            key={id}
            label={title}
            on={help.courseIds.includes(id)}
            onChange={(on) => toggle(id, on)}
          />
        ))}
        <Words size="small" colour="soft">
          {t('people.helpsHint')}
        </Words>
      </Stack>
      <Stack space={0.25}>
        <Choice
          titled
          label={t('people.until')}
          options={spans.map((value) => ({
            value,
            label: t(`people.spans.${value}`, { when: today && format.date(untilOf(value, today)) }),
          }))}
          value={help.span}
          onChange={(span) => onChange({ ...help, span })}
        />
        <Words size="small" colour="soft">
          {t('people.untilHint')}
        </Words>
      </Stack>
    </Stack>
  );
}
