import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import {
  alertKinds,
  channels,
  languages,
  lockedScreens,
  type AlertDelivery,
  type AlertSettings,
  type Channel,
} from '@cadro/contract';
import { isTimeZone, sameSettings } from '@cadro/core';
import { languageNames, problemWords } from '../i18n';
import {
  Action,
  BackLink,
  Choice,
  Field,
  Heading,
  Loaded,
  Page,
  Stack,
  TickLine,
  useWide,
  Words,
} from '../ui';
import { DigestWishes, Quietness, type SetDelivery } from './WhenTold';
import { PhoneProof } from './PhoneProof';
import { PushedTo } from './PushedTo';
import { useAlertSettingsQuery, useChangeAlertSettingsMutation } from './api';
import { Trial } from './Trial';
import { useAlertWords } from './useTold';

const phoneShape = /^\+[1-9]\d{6,14}$/;

/** What of the ways there is for this guardian: a number can be set up for texts, a device has been for what is pushed. */
interface There {
  readonly textsOffered: boolean;
  readonly pushes: boolean;
}

function Ways({
  draft,
  there: { textsOffered, pushes },
  onSet,
}: {
  draft: AlertDelivery;
  there: There;
  onSet: SetDelivery;
}) {
  const { t } = useTranslation();
  const words = useAlertWords();
  const there: Readonly<Record<Channel, boolean>> = { mail: true, text: textsOffered, push: pushes };
  const shown = channels.filter((channel) => there[channel]);
  // Three ways beside a name are wider than a phone.
  const above = !useWide() && shown.length > 2;
  const set = (kind: (typeof alertKinds)[number], channel: Channel, on: boolean) =>
    onSet({ ways: { ...draft.ways, [kind]: { ...draft.ways[kind], [channel]: on } } });
  return (
    <Stack>
      <Words bold>{t('reach.ways')}</Words>
      {alertKinds.map((kind) => (
        <View key={kind} role="group" aria-label={words.kinds[kind]} style={own.flowMiddle}>
          <Words style={above ? own.above : own.time}>{words.kinds[kind]}</Words>
          {shown.map((channel) => (
            <TickLine
              key={channel}
              small
              width={104}
              label={t(`reach.${channel}`)}
              on={draft.ways[kind][channel]}
              onChange={(on) => set(kind, channel, on)}
            />
          ))}
        </View>
      ))}
    </Stack>
  );
}

function MailStands({ settings }: { settings: AlertSettings }) {
  const { t } = useTranslation();
  const [change, { isLoading }] = useChangeAlertSettingsMutation();
  const { email, mailStoppedAt, mailBouncedAt } = settings;
  if (!mailStoppedAt && !mailBouncedAt) {
    return <Words colour="soft">{t('reach.to', { email })}</Words>;
  }
  return (
    <Stack>
      <Words colour="plum">{mailBouncedAt ? t('reach.bounced', { email }) : t('reach.stopped')}</Words>
      <Action
        label={t('reach.takeUp')}
        busy={isLoading}
        onPress={() => void change({ mailStopped: false })}
      />
    </Stack>
  );
}

/** What is told at once, by which ways, and to which number. */
function AtOnce({
  draft,
  there,
  phoneFits,
  onSet,
}: {
  draft: AlertDelivery;
  there: There;
  phoneFits: boolean;
  onSet: SetDelivery;
}) {
  const { t } = useTranslation();
  return (
    <Stack>
      <TickLine label={t('reach.atOnce')} on={draft.atOnce} onChange={(atOnce) => onSet({ atOnce })} />
      <Words size="small" colour="soft">
        {t('reach.atOnceHint')}
      </Words>
      {draft.atOnce ? (
        <>
          <Ways draft={draft} there={there} onSet={onSet} />
          <TickLine
            label={t('reach.subjects')}
            on={draft.figuresInSubject ?? false}
            onChange={(figuresInSubject) => onSet({ figuresInSubject })}
          />
          <Words size="small" colour="soft">
            {t('reach.subjectsHint')}
          </Words>
        </>
      ) : null}
      {there.textsOffered ? (
        <Field
          label={t('reach.phone')}
          hint={t('reach.phoneHint')}
          value={draft.phone ?? ''}
          onChange={(value) => onSet({ phone: value === '' ? null : value })}
          error={phoneFits ? null : t('reach.phoneWrong')}
          longest={30}
        />
      ) : (
        <Words colour="soft">{t('reach.noTexts')}</Words>
      )}
    </Stack>
  );
}

/** What is kept of a draft, and whether it can be. */
function keptOf(draft: AlertDelivery) {
  const phone = (draft.phone ?? '').replace(/[\s()-]/g, '');
  const phoneFits = phone === '' || phoneShape.test(phone);
  const delivery = { ...draft, phone: phone === '' ? null : phone };
  return { delivery, phoneFits, fits: phoneFits && isTimeZone(draft.timeZone) };
}

function DeliveryForm({ settings }: { settings: AlertSettings }) {
  const { t } = useTranslation();
  const [draft, setDraft] = useState(settings.delivery);
  const [change, { isLoading, isSuccess, error }] = useChangeAlertSettingsMutation();
  const set: SetDelivery = (some) => setDraft({ ...draft, ...some });
  const { delivery, phoneFits, fits } = keptOf(draft);
  const there = { textsOffered: settings.textsOffered, pushes: settings.devices.length > 0 };
  return (
    <Page>
      <BackLink href="/alerts" label={t('alerts.title')} />
      <Stack space={0.25}>
        <Heading level={1}>{t('reach.title')}</Heading>
        <Words colour="soft">{t('reach.lead')}</Words>
        <MailStands settings={settings} />
      </Stack>
      <AtOnce draft={draft} there={there} phoneFits={phoneFits} onSet={set} />
      <PhoneProof settings={settings} />
      <PushedTo settings={settings}>
        <Choice
          titled
          label={t('reach.locked')}
          options={lockedScreens.map((value) => ({ value, label: t(`reach.lockedKinds.${value}`) }))}
          value={draft.onLockedScreen ?? 'nothing'}
          onChange={(onLockedScreen) => set({ onLockedScreen })}
        />
      </PushedTo>
      <DigestWishes draft={draft} onSet={set} />
      <Quietness draft={draft} onSet={set} />
      <Choice
        titled
        label={t('reach.language')}
        options={languages.map((value) => ({ value, label: languageNames[value] }))}
        value={draft.language}
        onChange={(language) => set({ language })}
      />
      {error ? <Words colour="plum">{problemWords(t, error)}</Words> : null}
      {!sameSettings(delivery, settings.delivery) ? (
        <Action
          main
          label={t('rules.save')}
          busy={isLoading}
          disabled={!fits}
          onPress={() => void change({ delivery })}
        />
      ) : isSuccess ? (
        <Words colour="teal" live>
          {t('rules.saved')}
        </Words>
      ) : null}
      <Trial settings={settings} />
    </Page>
  );
}

/** How alerts reach one: channels, digest, quiet hours, language. */
export function DeliveryScreen() {
  const query = useAlertSettingsQuery();
  return <Loaded query={query}>{(settings) => <DeliveryForm settings={settings} />}</Loaded>;
}

const own = StyleSheet.create({
  flowMiddle: { flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap' },
  time: { width: 130 },
  above: { width: '100%' },
});
