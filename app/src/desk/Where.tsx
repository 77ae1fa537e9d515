import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { askedAnswers, type AskedAnswer, type WorkRow } from '@cadro/contract';
import { useFormat } from '../household';
import { useAskedMutation } from '../outlook/api';
import { Choice, Quietly, Row, Stack, Words } from '../ui';

/** Where the child says its assignment is; it stands in what its family follows up, with its day. */
export function Where({ row: { studentId, itemId, title, asked } }: { row: WorkRow }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [answer] = useAskedMutation();
  const [open, setOpen] = useState(false);
  const said = asked
    ? t('desk.yourAnswer', { date: format.day(asked.on), answer: t(`desk.answers.${asked.answer}`) })
    : null;
  if (!open) {
    return (
      <Row wrap space={2}>
        {said ? (
          <Words size="small" colour="teal" live>
            {said}
          </Words>
        ) : null}
        <Quietly
          label={t(said ? 'desk.change' : 'desk.where')}
          hint={title}
          onPress={() => setOpen(true)}
          open={false}
        />
      </Row>
    );
  }
  const choose = async (value: AskedAnswer) => {
    const told = await answer({ studentId, itemId, answer: value });
    if ('data' in told) setOpen(false);
  };
  return (
    <Stack space={0.5}>
      <Choice
        titled
        label={t('desk.where')}
        options={askedAnswers.map((value) => ({ value, label: t(`desk.answers.${value}`) }))}
        value={asked?.answer ?? ('' as AskedAnswer)} // nothing is chosen yet
        onChange={(value) => void choose(value)}
      />
      <Quietly label={t('desk.cancel')} onPress={() => setOpen(false)} />
    </Stack>
  );
}
