import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { presets, type AlertSettings, type Preset } from '@cadro/contract';
import { presetOf, presetRules, readRules, sameSettings, type AlertRules } from '@cadro/core';
import { useChildren, useFormat } from '../../household';
import { problemWords } from '../../i18n';
import {
  Action,
  BackLink,
  Choice,
  Heading,
  Loaded,
  Page,
  Panes,
  Quietly,
  Row,
  Slider,
  Stack,
  styles,
  themed,
  useWide,
  Words,
} from '../../ui';
import { useAlertSettingsQuery, useChangeAlertSettingsMutation, useUnsilenceMutation } from '../api';
import { useAlertWords } from '../useTold';
import { withRule } from './draft';
import { Exceptions } from './Exceptions';
import { groups, isAboutUpkeep } from './knobs';
import { RehearsalLine, RehearsalView } from './RehearsalView';
import { RuleRow } from './RuleRow';
import { WeeksOfTellings } from './WeeksOfTellings';
import { useRehearsal, type Trying } from './useRehearsal';

function Cap({ value, onChange }: { value: number; onChange: (value: number) => void }) {
  const { t } = useTranslation();
  const said = t('rules.cap', { count: value });
  return (
    <Stack space={0.25} style={own.narrow}>
      <Words bold>{t('rules.capTitle')}</Words>
      <Words size="small">{said}</Words>
      <Slider label={said} value={value} least={1} most={20} step={1} said={said} onChange={onChange} />
    </Stack>
  );
}

/** What is quiet for now, each with its end, to be heard again. */
function Silences({ settings }: { settings: AlertSettings }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const words = useAlertWords();
  const [unsilence] = useUnsilenceMutation();
  if (settings.silences.length === 0) return null;
  return (
    <Stack>
      <Heading level={2}>{t('rules.silences')}</Heading>
      {settings.silences.map(({ id, studentId, title, kind, until }) => {
        const what = [studentId ? nameOf(studentId) : null, title, kind ? words.kinds[kind] : null];
        const label = [...what, t('alerts.silenced', { date: format.date(until) })]
          .filter(Boolean)
          .join(' · ');
        return (
          <Row key={id} space={2} wrap>
            <Words>{label}</Words>
            <Quietly label={t('alerts.hearAgain')} hint={label} onPress={() => void unsilence(id)} />
          </Row>
        );
      })}
    </Stack>
  );
}

/** The draft with what it would have told, and the ways to keep it or not. */
function Keeping({
  changed,
  busy,
  saved,
  error,
  trying,
  onKeep,
  onBack,
}: {
  changed: boolean;
  busy: boolean;
  saved: boolean;
  error: string | null;
  trying: Trying;
  onKeep: () => void;
  onBack: () => void;
}) {
  const { t } = useTranslation();
  return (
    <Stack space={0.5}>
      <RehearsalLine {...trying} />
      {error ? <Words colour="plum">{error}</Words> : null}
      {changed ? (
        <Row space={2} wrap>
          <Action main label={t('rules.save')} busy={busy} onPress={onKeep} />
          <Quietly label={t('rules.back')} onPress={onBack} />
        </Row>
      ) : saved ? (
        <Words size="small" colour="teal" live>
          {t('rules.saved')}
        </Words>
      ) : null}
    </Stack>
  );
}

type Draft = (change: AlertRules) => void;

/** The whole of the rules in one word: a preset, or one's own. */
function Presets({ draft, onChange }: { draft: AlertRules; onChange: Draft }) {
  const { t } = useTranslation();
  const preset = presetOf(draft);
  const choose = (value: Preset | 'own') => {
    if (value !== 'own') onChange({ ...presetRules(value), exceptions: draft.exceptions });
  };
  return (
    <Choice
      titled
      label={t('rules.preset')}
      options={[
        ...presets.map((value) => ({ value, label: t(`rules.presets.${value}`) })),
        ...(preset ? [] : [{ value: 'own' as const, label: t('rules.presets.own') }]),
      ]}
      value={preset ?? ('own' as const)}
      onChange={choose}
    />
  );
}

/** The rules one by one, in their groups. */
function Groups({
  settings,
  draft,
  onChange,
}: {
  settings: AlertSettings;
  draft: AlertRules;
  onChange: Draft;
}) {
  const { t } = useTranslation();
  const letters = [...new Set(settings.courses.flatMap((course) => course.letters))];
  const [open, setOpen] = useState<readonly string[]>([]);
  return groups.map(([group, names]) => {
    const here = open.includes(group);
    const on = names.filter((name) => draft.rules[name].on).length;
    const title = t(`rules.groups.${group}`);
    return (
      <Stack key={group}>
        <Row style={styles.apart}>
          <View style={styles.shrink}>
            <Heading level={2}>{title}</Heading>
            <Words size="small" colour="soft">
              {t('rules.someOn', { count: on, of: names.length })}
            </Words>
          </View>
          <Quietly
            label={t(here ? 'rules.fold' : 'rules.change')}
            hint={title}
            open={here}
            onPress={() => setOpen(here ? open.filter((each) => each !== group) : [...open, group])}
          />
        </Row>
        {here
          ? names.map((name) => (
              <RuleRow
                key={name}
                {...{ name, letters }}
                settings={draft.rules}
                unrehearsed={isAboutUpkeep(name)}
                onSet={(rule, param, value) => onChange(withRule(draft, rule, param, value))}
              />
            ))
          : null}
      </Stack>
    );
  });
}

/** The rehearsal in full, under its name. */
function Rehearsed({ trying: { answer }, children }: { trying: Trying; children?: ReactNode }) {
  const { t } = useTranslation();
  return (
    <>
      <Heading level={2}>{t('rules.rehearsal')}</Heading>
      {children}
      {answer ? <RehearsalView answer={answer} /> : null}
    </>
  );
}

function RulesForm({ settings }: { settings: AlertSettings }) {
  const { t } = useTranslation();
  const wide = useWide();
  const looks = useLooks();
  const kept = readRules(settings.rules);
  const [draft, setDraft] = useState(kept);
  const [keep, { isLoading, isSuccess, error }] = useChangeAlertSettingsMutation();
  const trying = useRehearsal(draft);
  const keeping = (
    <Keeping
      trying={trying}
      changed={!sameSettings(draft, kept)}
      busy={isLoading}
      saved={isSuccess}
      error={error ? problemWords(t, error) : null}
      onKeep={() => void keep({ rules: draft })}
      onBack={() => setDraft(kept)}
    />
  );
  const form = (
    <Page>
      <BackLink href="/alerts" label={t('alerts.title')} />
      <Heading level={1}>{t('rules.title')}</Heading>
      <WeeksOfTellings answer={trying.answer} />
      <Presets draft={draft} onChange={setDraft} />
      <Groups settings={settings} draft={draft} onChange={setDraft} />
      <Cap value={draft.capPerDay} onChange={(capPerDay) => setDraft({ ...draft, capPerDay })} />
      <Exceptions draft={draft} courses={settings.courses} onChange={setDraft} />
      <Silences settings={settings} />
      {wide || !trying.answer ? null : (
        <Stack>
          <Rehearsed trying={trying} />
        </Stack>
      )}
    </Page>
  );
  if (wide) {
    const beside = (
      <Page sheet>
        <Rehearsed trying={trying}>{keeping}</Rehearsed>
      </Page>
    );
    return <Panes wideList list={form} detail={beside} />;
  }
  return (
    <View style={styles.fill}>
      {form}
      <View style={looks.foot}>{keeping}</View>
    </View>
  );
}

/** What one is told: rules, tried on the past while they are set. */
export function RulesScreen() {
  const query = useAlertSettingsQuery();
  return <Loaded query={query}>{(settings) => <RulesForm settings={settings} />}</Loaded>;
}

const own = StyleSheet.create({
  narrow: { maxWidth: 440 },
});

const useLooks = themed((palette) => ({
  foot: {
    paddingHorizontal: 20,
    paddingVertical: 10,
    borderTopWidth: 1,
    borderColor: palette.line,
    backgroundColor: palette.sheet,
  },
}));
