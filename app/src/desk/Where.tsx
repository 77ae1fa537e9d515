import { useTranslation } from 'react-i18next';
import { askedAnswers, type AskedAnswer, type WorkRow } from '@cadro/contract';
import { useFormat } from '../household';
import { useAskedMutation } from '../outlook/api';
import { Choice, Stack, Words } from '../ui';

/** Where the child says its assignment is; it stands in what its family follows up, with its day. */
export function Where({ row: { studentId, itemId, asked } }: { row: WorkRow }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [answer] = useAskedMutation();
  return (
    <Stack space={0.5}>
      <Choice
        titled
        label={t('desk.where')}
        options={askedAnswers.map((value) => ({ value, label: t(`desk.answers.${value}`) }))}
        value={asked?.answer ?? ('' as AskedAnswer)} // nothing is chosen yet
        onChange={(value) => void answer({ studentId, itemId, answer: value })}
      />
      {asked ? (
        <Words size="small" colour="soft" live>
          {t('desk.yourAnswer', {
            date: format.day(asked.on),
            answer: t(`desk.answers.${asked.answer}`),
          })}
        </Words>
      ) : null}
    </Stack>
  );
}
