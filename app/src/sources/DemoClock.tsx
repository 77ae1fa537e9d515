import { useTranslation } from 'react-i18next';
import { useFormat } from '../household';
import { useMeQuery } from '../household/api';
import { Action, Stack, Words } from '../ui';
import { useNextDayMutation } from './api';

/** In the demo only: lets a day pass at the schools. */
export function DemoClock() {
  const { t } = useTranslation();
  const format = useFormat();
  const { data: me } = useMeQuery();
  const [nextDay, { isLoading, error }] = useNextDayMutation();
  if (!me?.demo) return null;
  return (
    <Stack>
      <Words size="small" colour="soft" live>
        {isLoading ? t('shell.moving') : t('shell.demoDay', { day: format.dayLong(me.now) })}
      </Words>
      <Action label={t('shell.nextDay')} onPress={() => void nextDay()} busy={isLoading} />
      {error ? (
        <Words size="small" colour="plum">
          {t('problems.source-unreachable')}
        </Words>
      ) : null}
    </Stack>
  );
}
