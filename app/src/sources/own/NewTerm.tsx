import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { usualTerm } from '@cadro/core/own';
import { Trouble, useFormat } from '../../household';
import { Action, Field, Quietly, Row, Stack } from '../../ui';
import { usePutOwnTermMutation } from '../api';
import { DayField } from './NewChild';

/** Another term of a child whose family writes its record; it opens in its place. */
export function NewTerm({ studentId, onMade }: { studentId: string; onMade: (termId: string) => void }) {
  const { t } = useTranslation();
  const { today } = useFormat();
  const usual = usualTerm(today);
  const [open, setOpen] = useState(false);
  const [title, setTitle] = useState(t(`own.season.${usual.season}`));
  const [days, setDays] = useState({ startsOn: usual.startsOn, endsOn: usual.endsOn });
  const [put, { isLoading, error }] = usePutOwnTermMutation();
  const backwards = days.endsOn < days.startsOn;
  const save = async () => {
    const answer = await put({ studentId, body: { id: null, title, ...days } });
    if (!answer.data) return;
    onMade(answer.data.termId);
    setOpen(false);
  };
  if (!open) return <Quietly label={t('own.newTerm')} onPress={() => setOpen(true)} open={false} />;
  return (
    <Stack space={1.5}>
      <Field label={t('own.termName')} value={title} longest={60} onChange={setTitle} />
      <DayField
        label={t('own.startsOn')}
        value={days.startsOn}
        onChange={(on) => setDays({ ...days, startsOn: on ?? usual.startsOn })}
      />
      <DayField
        label={t('own.endsOn')}
        value={days.endsOn}
        onChange={(on) => setDays({ ...days, endsOn: on ?? usual.endsOn })}
      />
      <Trouble error={error} words={backwards ? t('own.backwards') : null} />
      <Row wrap>
        <Action
          label={t('own.addTerm')}
          busy={isLoading}
          disabled={title.trim() === '' || backwards}
          onPress={() => void save()}
        />
        <Quietly label={t('own.work.cancel')} onPress={() => setOpen(false)} />
      </Row>
    </Stack>
  );
}
