import { useTranslation } from 'react-i18next';
import { Action, Stack, Words } from '../../ui';
import { useMeQuery } from '../api';
import { useFormat } from '../useFormat';
import { useStayMutation } from './api';

/** A line for who has asked to be deleted, and the way back; nothing for everybody else. */
export function Leaving() {
  const { t } = useTranslation();
  const format = useFormat();
  const { data: me } = useMeQuery();
  const [stay, { isLoading }] = useStayMutation();
  if (!me?.leavesAt) return null;
  return (
    <Stack>
      <Words colour="plum">{t('data.leaves', { when: format.date(me.leavesAt) })}</Words>
      <Action label={t('data.stay')} busy={isLoading} onPress={() => void stay()} />
    </Stack>
  );
}
