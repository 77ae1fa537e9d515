import { useEffect } from 'react';
import { useTranslation } from 'react-i18next';
import { isServerProblem } from '../../i18n';
import { LinkAction, Words } from '../../ui';
import { useConfirmAddressMutation } from './api';
import { useMeQuery } from '../api';
import { useCarried } from './carried';
import { DoorFrame } from './DoorFrame';
import { Trouble } from './Trouble';

/** Where the link of a mail leads: one tap, and the address is shown to be theirs. */
export function ConfirmAddress() {
  const { t } = useTranslation();
  const token = useCarried();
  const { data: me } = useMeQuery();
  const [confirm, { data, error }] = useConfirmAddressMutation();
  useEffect(() => {
    void confirm(token.padEnd(20, '-'));
  }, [confirm, token]);
  const onward = (
    <LinkAction main label={t(me ? 'door.toBrief' : 'door.toSignIn')} href={me ? '/brief' : '/sign-in'} />
  );
  if (data)
    return (
      <DoorFrame title={t(`door.${data.outcome}Title`)}>
        <Words live>{t(`door.${data.outcome}`, { email: data.email })}</Words>
        {onward}
      </DoorFrame>
    );
  const over = isServerProblem(error) && ['link-over', 'bad-request'].includes(error.problem?.code ?? '');
  if (error)
    return (
      <DoorFrame title={t('door.overTitle')}>
        {over ? <Words live>{t('door.over')}</Words> : <Trouble error={error} />}
        {onward}
      </DoorFrame>
    );
  return <DoorFrame title={t('door.confirming')}>{null}</DoorFrame>;
}
