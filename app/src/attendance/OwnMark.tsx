import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { daysAfter, isWeekend } from '@cadro/core';
import { Trouble, useChildren, useFormat } from '../household';
import { Action, BackLink, Choice, Heading, Page, PickDay, Row, Stack, Words } from '../ui';
import { useReadMarksMutation } from './api';

/** What a family may say of a day, as the file of marks has it. */
const said = {
  absent: { code: 'A', kind: 'absent', excused: 'no' },
  excused: { code: 'E', kind: 'absent', excused: 'yes' },
  tardy: { code: 'T', kind: 'tardy', excused: 'no' },
  present: { code: 'P', kind: 'present', excused: 'no' },
} as const;
type Said = keyof typeof said;
const options: readonly Said[] = ['absent', 'excused', 'tardy', 'present'];

/** The day that is most likely meant: on a weekend, the Friday before it. */
function lastWeekday(today: string): string {
  let on = today;
  while (isWeekend(on)) on = daysAfter(on, -1);
  return on;
}

/** A day as one row of the file of marks. */
const markRow = (on: string, what: Said): string => {
  const { code, kind, excused } = said[what];
  return `date,period,code,kind,excused\n${on},day,${code},${kind},${excused}\n`;
};

/** An absence that the school doesn't tell, written down by the family. */
export function OwnMark({ studentId }: { studentId: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const [on, setOn] = useState(() => lastWeekday(format.today));
  const [what, setWhat] = useState<Said>('excused');
  const [read, { data, error, isLoading }] = useReadMarksMutation();
  const day = format.dayLong(on);
  const outcome = () => {
    if (!data) return null;
    if (data.schoolHas > 0) return t('ownMark.schoolHas', { day });
    const [fault] = data.faults;
    if (fault) return t('ownMark.refused', { day });
    return t('ownMark.done', { day });
  };
  return (
    <Page>
      <BackLink href="/days/attendance" label={t('days.attendance')} />
      <Heading level={1}>{t('ownMark.title', { name: nameOf(studentId) })}</Heading>
      <Words colour="soft">{t('ownMark.lead')}</Words>
      <Stack space={2}>
        <PickDay
          label={t('ownMark.day')}
          value={on}
          today={format.today}
          onChange={(next) => setOn(next ?? format.today)}
          dayLong={format.dayLong}
          monthName={format.month}
        />
        <Choice
          titled
          label={t('ownMark.what')}
          options={options.map((value) => ({ value, label: t(`ownMark.options.${value}`) }))}
          value={what}
          onChange={setWhat}
        />
        <Trouble error={error} />
        {data ? <Words live>{outcome()}</Words> : null}
        <Row wrap>
          <Action
            main
            label={t('ownMark.save')}
            busy={isLoading}
            onPress={() => void read({ studentId, text: markRow(on, what), codes: [], preview: false })}
          />
        </Row>
      </Stack>
    </Page>
  );
}
