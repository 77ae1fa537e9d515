import type { TFunction } from 'i18next';
import { useTranslation } from 'react-i18next';
import type { AttendancePattern, ChildDays } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import { type Format } from '../i18n';
import { Row, Stack, styles, WayOn, Words } from '../ui';

/** Leaving early and the last period are one thing said twice. */
const telling = (patterns: readonly AttendancePattern[]): AttendancePattern[] => {
  const early = patterns.find(({ kind }) => kind === 'leaves-early');
  return patterns.filter(
    ({ kind, dates }) => kind !== 'period' || !early?.dates.every((date) => dates.includes(date)),
  );
};

/** A pattern in a sentence, with the days behind it. */
export function patternWords(t: TFunction, format: Format, pattern: AttendancePattern): string {
  const days = format.days(pattern.dates);
  const lessons = format.list(pattern.lessons.map(({ courseTitle }) => courseTitle));
  switch (pattern.kind) {
    case 'leaves-early':
      return lessons ? t('days.leftEarly', { days, lessons }) : t('days.leftEarlyPlain', { days });
    case 'period':
      return t('days.period', { period: pattern.value, days, lessons });
    case 'weekday': {
      const names = t('days.weekdays', { returnObjects: true }) as readonly string[]; // a list in every catalogue
      return t('days.weekday', { weekdays: names[Number(pattern.value)] ?? '', days });
    }
  }
}

/** 'Three works fell in these lessons; still open: Currents: worksheet and Currents: quiz.' */
export function touchedWords(t: TFunction, format: Format, { touched }: AttendancePattern): string {
  if (touched.length === 0) return t('days.touchedNone');
  const open = touched.filter((work) => work.open).map(({ title }) => title);
  return open.length === 0
    ? t('days.touchedAllIn', { count: touched.length })
    : t('days.touchedOpen', { count: touched.length, open: format.list(open) });
}

/** So many names one can write to; with more it is the desk that knows. */
const fewTeachers = 2;

function whomToAsk({ lessons }: AttendancePattern, desk: ChildDays['desk']) {
  const teachers = new Map(
    lessons.flatMap(({ teacher }) => (teacher?.contactable ? [[teacher.id, teacher] as const] : [])),
  );
  if (teachers.size > 0 && teachers.size <= fewTeachers) return [...teachers.values()];
  return desk?.contactable ? [desk] : [];
}

/** What stands out, each in a sentence, and whom to speak to. */
export function Patterns({ days }: { days: ChildDays }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { mayTalk } = useChildren();
  const found = telling(days.patterns);
  if (found.length === 0) return null;
  return (
    <Stack>
      {found.map((pattern) => (
        <Stack key={`${pattern.kind}:${pattern.value ?? ''}`} space={0}>
          <Words colour="plum">{patternWords(t, format, pattern)}</Words>
          <Words>{touchedWords(t, format, pattern)}</Words>
          {mayTalk(days.studentId) ? (
            <Row wrap style={styles.spread}>
              {pattern.dates.length > 0 ? (
                <WayOn
                  label={t('days.lastOfThem')}
                  href={`/days/${days.studentId}/${pattern.dates.at(-1)}`}
                />
              ) : null}
              {whomToAsk(pattern, days.desk).map(({ id, name }) => (
                <WayOn
                  key={id}
                  label={t('days.writeTo', { name })}
                  href={`/talk/write?studentId=${days.studentId}&teacherId=${id}`}
                />
              ))}
            </Row>
          ) : null}
        </Stack>
      ))}
    </Stack>
  );
}
