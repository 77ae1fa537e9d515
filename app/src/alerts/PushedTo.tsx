import { useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import type { AlertSettings } from '@cadro/contract';
import { beginPushing, canPush, endPushing, isBlocked } from '../device';
import { useMeQuery } from '../household';
import { pushedHere, useAppDispatch } from '../store';
import { Action, Heading, Quietly, Row, Stack, Words } from '../ui';
import { useAddDeviceMutation, useDropDeviceMutation } from './api';

function Here({ settings }: { settings: AlertSettings }) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const { data: me } = useMeQuery();
  const here = settings.devices.find((device) => device.here);
  const [add] = useAddDeviceMutation();
  const [drop, { isLoading: drops }] = useDropDeviceMutation();
  const [stands, setStands] = useState<'well' | 'asking' | 'failed'>('well');
  if (!canPush()) return <Words colour="soft">{t('reach.pushCannot')}</Words>;
  if (here) {
    const end = async () => {
      dispatch(pushedHere(null));
      await endPushing();
      await drop(here.id);
    };
    return (
      <>
        <Words>{t('reach.pushHere')}</Words>
        <Row space={1} wrap>
          <Action label={t('reach.pushOff')} busy={drops} onPress={() => void end()} />
        </Row>
      </>
    );
  }
  const begin = async () => {
    setStands('asking');
    const reach = await beginPushing(settings.pushKey).catch(() => undefined);
    const added = reach ? await add(reach) : null;
    if (added?.data && me) dispatch(pushedHere(me.id));
    setStands(reach === undefined || added?.error ? 'failed' : 'well');
  };
  return (
    <>
      <Row space={1} wrap>
        <Action label={t('reach.pushOn')} busy={stands === 'asking'} onPress={() => void begin()} />
      </Row>
      <Words size="small" colour="soft" live>
        {isBlocked() ? t('reach.pushBlocked') : t('reach.pushOnHint')}
      </Words>
      {stands === 'failed' ? <Words colour="plum">{t('reach.pushFailed')}</Words> : null}
    </>
  );
}

/** The devices that alerts are pushed to: this one, and the others. @param children what is set of them */
export function PushedTo({ settings, children }: { settings: AlertSettings; children: ReactNode }) {
  const { t } = useTranslation();
  const [drop] = useDropDeviceMutation();
  const others = settings.devices.filter(({ here }) => !here);
  return (
    <Stack>
      <Heading level={2}>{t('reach.pushTitle')}</Heading>
      <Here settings={settings} />
      {others.length > 0 ? <Words bold>{t('reach.pushOthers')}</Words> : null}
      {others.map(({ id, device }) => {
        const name = device || t('safety.unknownDevice');
        return (
          <Row key={id} space={2} wrap>
            <Words>{name}</Words>
            <Quietly label={t('reach.pushDrop')} hint={name} onPress={() => void drop(id)} />
          </Row>
        );
      })}
      {settings.devices.length > 0 ? children : null}
    </Stack>
  );
}
