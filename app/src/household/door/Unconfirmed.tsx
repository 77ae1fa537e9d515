import { useTranslation } from 'react-i18next';
import { Quietly, Stack, Words } from '../../ui';
import { useConfirmAgainMutation } from '../keeping/api';
import { useMeQuery } from '../api';
import { Trouble } from './Trouble';

/** A line for who has not confirmed the address yet; nothing for everybody else. */
export function Unconfirmed() {
  const { t } = useTranslation();
  const { data: me } = useMeQuery();
  const [again, { isLoading, isSuccess, error }] = useConfirmAgainMutation();
  if (!me || me.confirmed) return null;
  return (
    <Stack space={0}>
      <Words>{t('door.unconfirmed', { email: me.email })}</Words>
      {isSuccess || isLoading ? (
        <Words size="small" colour="soft" live>
          {isSuccess ? t('door.sentOnceMore') : ''}
        </Words>
      ) : (
        <Quietly label={t('door.again')} onPress={() => void again()} />
      )}
      <Trouble error={error} />
    </Stack>
  );
}
