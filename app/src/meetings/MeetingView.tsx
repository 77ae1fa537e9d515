import { useTranslation } from 'react-i18next';
import type { Meeting } from '@cadro/contract';
import { useContactsQuery } from '../contacts/api';
import { Agree, withAgreement } from '../followups';
import { useChildren, useFormat, useMeQuery } from '../household';
import { BackLink, Heading, LinkAction, Loaded, OutLink, Page, Quiet, Stack, Words } from '../ui';
import { useMeetingsQuery } from './api';
import { Change } from './Change';
import { Guests } from './Guests';
import { Notes } from './Notes';
import { PageToBring } from './PageToBring';
import { Print } from './Print';
import { useChange } from './useChange';
import { stateWords, whenWords, whereWords } from './words';

/** When and where, and how it stands. */
function Head({ meeting }: { meeting: Meeting }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const state = stateWords(t, meeting);
  return (
    <Stack space={0.5}>
      <Heading level={1}>
        {t('meeting.about', { teacher: meeting.teacherName, child: nameOf(meeting.studentId) })}
      </Heading>
      {state ? (
        <Words bold colour="plum">
          {state}
        </Words>
      ) : null}
      <Words bold>{whenWords(t, format, meeting)}</Words>
      <Words>{whereWords(t, meeting)}</Words>
      {meeting.href ? <OutLink label={t('meeting.join')} href={meeting.href} /> : null}
      <Words size="small" colour="soft">
        {t('meeting.putDown', { author: meeting.author })}
      </Words>
    </Stack>
  );
}

/** What was agreed becomes follow-ups with their days. */
function Agreed({ meeting }: { meeting: Meeting }) {
  const { t } = useTranslation();
  const { all } = useChildren();
  const { now, error } = useChange(meeting);
  const child = all.find(({ id }) => id === meeting.studentId);
  if (!child) return null;
  return (
    <Agree
      {...{ child, error }}
      agreed={meeting.agreed}
      question={t('meeting.agree', { teacher: meeting.teacherName })}
      keep={(made) => now(({ agreed }) => ({ agreed: withAgreement(agreed, made) }))}
    />
  );
}

function Whole({ meeting }: { meeting: Meeting }) {
  const { t } = useTranslation();
  const { data: me } = useMeQuery();
  const { mayTalk } = useChildren();
  const contacts = useContactsQuery(meeting.studentId);
  const mayWrite = mayTalk(meeting.studentId);
  const stands = meeting.state === 'stands';
  const ahead = stands && Date.parse(meeting.startsAt) > Date.parse(me?.now ?? '');
  const courses = contacts.data?.contacts.find(({ id }) => id === meeting.teacherId)?.courses ?? [];
  return (
    <Page sheet>
      <BackLink href="/talk/meetings" label={t('meeting.title')} />
      <Head meeting={meeting} />
      {mayWrite && ahead ? <Change meeting={meeting} /> : null}
      {mayWrite && !stands ? (
        <LinkAction
          label={t('meeting.arrange')}
          href={`/talk/meetings/new?studentId=${meeting.studentId}&teacherId=${meeting.teacherId}`}
        />
      ) : null}
      <PageToBring {...{ meeting, courses, mayWrite }} />
      <Print {...{ meeting, courses }} />
      {mayWrite ? <Notes meeting={meeting} /> : null}
      {!mayWrite && meeting.notes ? <Words>{meeting.notes}</Words> : null}
      {mayWrite ? <Agreed meeting={meeting} /> : null}
      {stands ? <Guests meeting={meeting} mayAsk={mayWrite && ahead} /> : null}
    </Page>
  );
}

/** One meeting: when it is, what one brings, what was said, and what came of it. */
export function MeetingView({ meetingId }: { meetingId: string }) {
  const { t } = useTranslation();
  const query = useMeetingsQuery();
  return (
    <Loaded query={query}>
      {({ meetings }) => {
        const meeting = meetings.find(({ id }) => id === meetingId);
        if (meeting) return <Whole key={meeting.id} meeting={meeting} />;
        return (
          <Page sheet>
            <BackLink href="/talk/meetings" label={t('meeting.title')} />
            <Quiet>{t('meeting.gone')}</Quiet>
          </Page>
        );
      }}
    </Loaded>
  );
}
