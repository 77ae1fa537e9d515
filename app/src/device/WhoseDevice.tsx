import { useTranslation } from 'react-i18next';
import { useMeQuery } from '../household';
import { deviceSaid, dropCopies, useAllCame, useAppDispatch, useAppSelector } from '../store';
import { Action, Heading, Row, Stack, styles, Unfolding, Words } from '../ui';
import { useInstalling } from './useInstalling';

/** Whose device this is: what it keeps follows from it. Null while nobody has said. */
function useDevice(): { own: boolean | null; say: (own: boolean) => void } {
  const dispatch = useAppDispatch();
  const { data: me } = useMeQuery();
  const device = useAppSelector((state) => state.prefs.device);
  return {
    own: device && device.personId === me?.id ? device.own : null,
    say: (own) => {
      if (me) dispatch(deviceSaid({ personId: me.id, own }));
      if (!own) void dropCopies();
    },
  };
}

/** Whether a device keeps anything: outside of https a browser does not. */
const canKeep = (): boolean => typeof caches !== 'undefined';

/**
 * Asks once, before anything is kept, whether others use the device, too. It stands at the end of a page, and comes when
 * nothing above it moves any more: what is tapped is what was meant.
 */
export function WhoseDevice() {
  const { t } = useTranslation();
  const { own, say } = useDevice();
  const allCame = useAllCame();
  if (own !== null || !canKeep() || !allCame) return null;
  return (
    <Stack>
      <Heading level={2}>{t('device.ask')}</Heading>
      <Words colour="soft">{t('device.askLead')}</Words>
      <Row space={1} wrap>
        <Action label={t('device.mine')} onPress={() => say(true)} />
        <Action label={t('device.others')} onPress={() => say(false)} />
      </Row>
    </Stack>
  );
}

/** What this device keeps, and how Cadro gets onto its home screen. */
export function OnThisDevice() {
  const { t } = useTranslation();
  const { own, say } = useDevice();
  const { installed, install } = useInstalling();
  return (
    <Unfolding label={t('device.title')} value={t(own ? 'device.hasCopy' : 'device.hasNone')}>
      <Stack style={styles.around8}>
        {canKeep() ? (
          <>
            <Words colour="soft">{t(own ? 'device.keeps' : 'device.keepsNothing')}</Words>
            <Row space={1} wrap>
              <Action label={t(own ? 'device.delete' : 'device.mine')} onPress={() => say(!own)} />
            </Row>
          </>
        ) : null}
        {install ? (
          <Row space={1} wrap>
            <Action label={t('device.install')} onPress={install} />
          </Row>
        ) : null}
        {installed || install ? null : <Words colour="soft">{t('device.installByHand')}</Words>}
      </Stack>
    </Unfolding>
  );
}
