import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { ChildDays } from '@cadro/contract';
import { useChildren, useFormat } from '../../household';
import { problemWords } from '../../i18n';
import { Action, Heading, Quietly, Row, Stack, WayOn, Words } from '../../ui';
import { useMeaningMutation } from '../api';
import { MeaningChoice, meanings, type MeaningName } from './MeaningChoice';

function UnknownCode({ days, code, on }: { days: ChildDays; code: string; on: readonly string[] }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { mayTalk } = useChildren();
  const [open, setOpen] = useState(false);
  const [name, setName] = useState<MeaningName>('present');
  const [keep, { isLoading, error }] = useMeaningMutation();
  const { studentId, desk } = days;
  return (
    <Stack space={0.5}>
      <Heading level={3}>{t('days.unknownTitle', { code })}</Heading>
      <Words size="small" colour="soft">
        {t('days.unknown', { days: format.days(on) })}
      </Words>
      {mayTalk(studentId) ? (
        <Row wrap space={2}>
          {desk?.contactable ? (
            <WayOn
              label={t('days.askDesk')}
              href={`/talk/write?studentId=${studentId}&teacherId=${desk.id}`}
            />
          ) : null}
          {open ? null : (
            <Quietly label={t('days.itMeans')} hint={code} onPress={() => setOpen(true)} open={false} />
          )}
        </Row>
      ) : null}
      {open ? (
        <Stack>
          <MeaningChoice code={code} value={name} onChange={setName} />
          {error ? (
            <Words colour="plum" live>
              {problemWords(t, error)}
            </Words>
          ) : null}
          <Action
            label={t('days.keepMeaning')}
            busy={isLoading}
            onPress={() => void keep({ studentId, code, ...meanings[name] })}
          />
        </Stack>
      ) : null}
    </Stack>
  );
}

/** Codes the school has not explained: shown as they are, and asked about. */
export function UnknownCodes({ days }: { days: ChildDays }) {
  return days.unknownCodes.map(({ code, on }) => <UnknownCode key={code} days={days} code={code} on={on} />);
}
