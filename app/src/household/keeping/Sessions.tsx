import { useTranslation } from 'react-i18next';
import type { Safety } from '@cadro/contract';
import { Action, Heading, Line, Quietly, Stack, Words } from '../../ui';
import { useEndOtherSessionsMutation, useEndSessionMutation } from './api';
import { useFormat } from '../useFormat';

/** Where one is signed in, this device first, and the ways to end it. */
export function Sessions({ sessions }: { sessions: Safety['sessions'] }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [end] = useEndSessionMutation();
  const [endOthers, { isLoading }] = useEndOtherSessionsMutation();
  const ordered = [...sessions].sort((a, b) => Number(b.current) - Number(a.current));
  return (
    <Stack>
      <Heading level={2}>{t('safety.sessions')}</Heading>
      {ordered.map(({ id, device, since, usedAt, current, kept }) => {
        const name = device || t('safety.unknownDevice');
        const marks = [...(current ? [t('safety.thisOne')] : []), ...(kept ? [t('safety.kept')] : [])];
        return (
          <Stack key={id} space={0.25}>
            <Words bold>{[name, ...marks].join(' · ')}</Words>
            <Words size="small" colour="soft">
              {t('safety.since', { when: format.dayTime(since), used: format.dayTime(usedAt) })}
            </Words>
            {current ? null : (
              <Quietly label={t('safety.end', { device: name })} onPress={() => void end(id)} />
            )}
            <Line />
          </Stack>
        );
      })}
      {sessions.length > 1 ? (
        <Action label={t('safety.endOthers')} busy={isLoading} onPress={() => void endOthers()} />
      ) : null}
    </Stack>
  );
}
