import { useTranslation } from 'react-i18next';
import type { FollowUp } from '@cadro/contract';
import { markWord, needsYou } from '../attendance';
import { useFormat } from '../household';
import { Heading, Stack, Words } from '../ui';

/** What the register says now of the lessons an open matter is about. */
export function Register({ followUp }: { followUp: FollowUp }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { absence, register, step } = followUp;
  if (!absence || absence.purpose === 'catch-up' || step === 'settled') return null;
  return (
    <Stack space={0.25}>
      <Heading level={2}>{t('talk.registerNow')}</Heading>
      {register.length === 0 ? <Words>{t('talk.registerNothing')}</Words> : null}
      {register.map((mark) => (
        <Words key={`${mark.on}/${mark.period}`} colour={needsYou(mark) ? 'plum' : 'ink'}>
          {[format.day(mark.on), t('days.lesson', { period: mark.period }), markWord(t, mark)].join(' · ')}
        </Words>
      ))}
    </Stack>
  );
}
