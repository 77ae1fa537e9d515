import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { languages, type Language } from '@cadro/contract';
import { languageNames, useFormat } from '../i18n';
import { DemoClock, useSourcesQuery } from '../sources';
import { api } from '../store/api';
import { languageChosen, themeChosen, themes } from '../store/prefs';
import { useAppDispatch, useAppSelector } from '../store/store';
import { Action, Choice, Heading, LinkAction, Page, Stack, useWide, WayOn, Words } from '../ui';
import { useChangeMeMutation, useMeQuery, useSignOutMutation } from './api';

function Sources() {
  const { t } = useTranslation();
  const format = useFormat();
  const { data } = useSourcesQuery();
  return (
    <Stack>
      <Heading level={2}>{t('settings.sources')}</Heading>
      {(data?.sources ?? []).map(({ id, name, readAt, failingSince, problems }) => (
        <Stack key={id} space={0.25}>
          <Words bold>{name}</Words>
          <Words size="small" colour={failingSince ? 'plum' : 'soft'}>
            {failingSince
              ? t('shell.sourceDown', {
                  source: name,
                  since: format.dayTime(failingSince),
                  when: readAt ? format.dayTime(readAt) : t('shell.neverRead'),
                })
              : t('settings.read', { when: readAt ? format.dayTime(readAt) : t('shell.neverRead') })}
          </Words>
          {problems.length > 0 ? (
            <Words size="small" colour="plum">
              {t('settings.problems', { count: problems.length })}
            </Words>
          ) : null}
          {problems.slice(0, 5).map(({ collection, externalId, fault, detail }) => (
            <Words
              key={`${collection}:${externalId}`}
              size="small"
              colour="soft"
            >{`${collection} ${externalId ?? ''}: ${t(`settings.fault.${fault}`)}${detail && ` (${detail})`}`}</Words>
          ))}
        </Stack>
      ))}
    </Stack>
  );
}

export function Settings() {
  const { t } = useTranslation();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const prefs = useAppSelector((state) => state.prefs);
  const { data: me } = useMeQuery();
  const [changeMe] = useChangeMeMutation();
  const [signOut] = useSignOutMutation();
  const wide = useWide();
  const speak = (language: Language) => {
    dispatch(languageChosen(language));
    void changeMe({ language });
  };
  const leave = async () => {
    await signOut();
    dispatch(api.util.resetApiState());
    router.replace('/sign-in');
  };
  return (
    <Page>
      <Heading level={1}>{t('settings.title')}</Heading>
      <Words colour="soft">{me?.name ?? ''}</Words>
      <Stack>
        <Heading level={2}>{t('settings.children')}</Heading>
        {(me?.children ?? []).map(({ id, givenName, familyName, schoolName, role }) => (
          <Stack key={id} space={0.25}>
            <Words bold>{`${givenName} ${familyName}`}</Words>
            <Words size="small" colour="soft">{`${schoolName} · ${t(`settings.roles.${role}`)}`}</Words>
          </Stack>
        ))}
        <LinkAction label={t('link.title')} href="/link" />
      </Stack>
      <Stack>
        <Heading level={2}>{t('alerts.title')}</Heading>
        <Words colour="soft">{t('alerts.settingsLead')}</Words>
        <WayOn label={t('alerts.toRules')} href="/alerts/rules" />
        <WayOn label={t('alerts.toDelivery')} href="/alerts/delivery" />
      </Stack>
      <Sources />
      <Stack>
        <Heading level={2}>{t('settings.language')}</Heading>
        <Choice
          label={t('settings.language')}
          options={languages.map((value) => ({ value, label: languageNames[value] }))}
          value={prefs.language}
          onChange={speak}
        />
      </Stack>
      <Stack>
        <Heading level={2}>{t('settings.theme')}</Heading>
        <Choice
          label={t('settings.theme')}
          options={themes.map((value) => ({ value, label: t(`settings.${value}`) }))}
          value={prefs.theme}
          onChange={(value) => dispatch(themeChosen(value))}
        />
      </Stack>
      {wide ? null : <DemoClock />}
      <Action label={t('settings.out')} onPress={() => void leave()} />
    </Page>
  );
}
