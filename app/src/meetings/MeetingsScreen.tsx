import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { useChildren, useMeQuery } from '../household';
import { BackLink, Heading, LinkAction, Loaded, Page, Quiet, Stack, Words } from '../ui';
import { useMeetingsQuery } from './api';
import { MeetingRow } from './MeetingRow';
import { Offered } from './Offered';

/** The family's meetings at school, and the times that the schools offer. */
export function MeetingsScreen({ selected }: { selected?: string }) {
  const { t } = useTranslation();
  const query = useMeetingsQuery();
  const { data: me } = useMeQuery();
  const { shown, mayTalk } = useChildren();
  const mayWrite = shown.some(({ id }) => mayTalk(id));
  const ids = new Set(shown.map(({ id }) => id));
  return (
    <Loaded query={query}>
      {({ meetings }) => {
        const own = meetings.filter(({ studentId }) => ids.has(studentId));
        const now = Date.parse(me?.now ?? '');
        const ahead = own.filter(({ endsAt, state }) => Date.parse(endsAt) > now && state !== 'given-back');
        const past = own.filter((meeting) => !ahead.includes(meeting));
        return (
          <Page>
            <BackLink href="/talk" label={t('places.talk')} />
            <Stack space={0.5}>
              <Heading level={1}>{t('meeting.title')}</Heading>
              <Words colour="soft">{t('meeting.lead')}</Words>
            </Stack>
            <View>
              <Heading level={2}>{t('meeting.ahead')}</Heading>
              {ahead.length === 0 ? <Quiet>{t('meeting.none')}</Quiet> : null}
              {ahead.map((meeting) => (
                <MeetingRow key={meeting.id} meeting={meeting} selected={meeting.id === selected} />
              ))}
            </View>
            {mayWrite ? <LinkAction main label={t('meeting.arrange')} href="/talk/meetings/new" /> : null}
            {mayWrite ? (
              <Stack>
                <Heading level={2}>{t('meeting.offered')}</Heading>
                <Offered />
              </Stack>
            ) : null}
            {past.length > 0 ? (
              <View>
                <Heading level={2}>{t('meeting.past')}</Heading>
                {past.map((meeting) => (
                  <MeetingRow key={meeting.id} meeting={meeting} selected={meeting.id === selected} />
                ))}
              </View>
            ) : null}
          </Page>
        );
      }}
    </Loaded>
  );
}
