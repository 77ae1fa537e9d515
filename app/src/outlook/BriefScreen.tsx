import { useState, type ComponentType, type ReactNode } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Brief, Matter } from '@cadro/contract';
import { MailReturned } from '../alerts';
import { OnTheCalendar } from '../calendar';
import { WhoseDevice } from '../device';
import { ownerWords } from '../followups';
import { Leaving, PeopleNews, Unconfirmed, useChildren, useFormat, useMeQuery } from '../household';
import { DemoClock, SourceDown } from '../sources';
import {
  Heading,
  LinkAction,
  List,
  Loaded,
  Page,
  Panes,
  Quiet,
  Stack,
  useBroad,
  useWide,
  WayOn,
  Words,
} from '../ui';
import { useBriefQuery } from './api';
import { ComingList } from './ComingList';
import { FirstMinutes } from './FirstMinutes';
import { MatterRow } from './MatterRow';

/** The screens of other places that a matter may be about; each comes when it is looked at. */
export interface Beside {
  readonly Alert: ComponentType<{ alertId: string }>;
  readonly Announcement: ComponentType<{ announcementId: string }>;
  readonly Assignment: ComponentType<{ studentId: string; courseId: string; itemId: string }>;
  readonly Attendance: ComponentType<{ studentId: string }>;
  readonly Course: ComponentType<{ studentId: string; courseId: string }>;
  readonly FollowUp: ComponentType<{ followUpId: string }>;
  readonly Meeting: ComponentType<{ meetingId: string }>;
  readonly Thread: ComponentType<{ threadId: string }>;
}

/** What of a matter stands beside the list on a wide screen: the thing it is about. */
function MatterDetail({ matter, beside }: { matter: Matter | undefined; beside: Beside }) {
  const { t } = useTranslation();
  if (!matter)
    return (
      <Page sheet>
        <Quiet>{t('brief.pick')}</Quiet>
      </Page>
    );
  const { studentId, courseId } = matter;
  if (matter.kind === 'look-again' || matter.kind === 'handed')
    return <beside.FollowUp followUpId={matter.followUpId} />;
  if (matter.kind === 'reply') return <beside.Thread threadId={matter.threadId} />;
  if (matter.kind === 'asked') return <beside.Announcement announcementId={matter.announcementId} />;
  if (matter.kind === 'meeting') return <beside.Meeting meetingId={matter.meetingId} />;
  if (matter.kind === 'alert') return <beside.Alert alertId={matter.alertIds[0] ?? ''} />;
  if (matter.kind === 'absence') return <beside.Attendance studentId={studentId} />;
  const itemId =
    'looseEnds' in matter
      ? matter.looseEnds[0]?.itemId
      : matter.kind === 'comment'
        ? matter.comments[0]?.itemId
        : null;
  if (!courseId) return null;
  return itemId ? (
    <beside.Assignment {...{ studentId, courseId, itemId }} />
  ) : (
    <beside.Course {...{ studentId, courseId }} />
  );
}

function GoodNews({ brief }: { brief: Brief }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  if (brief.goodNews.length === 0) return null;
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('brief.goodNews')}</Heading>
      {brief.goodNews.map(({ studentId, itemId, title, was, now }) => (
        <Words key={`${studentId}:${itemId}`}>
          {t('brief.was', {
            child: nameOf(studentId),
            title,
            was: t(`kinds.${was}`),
            now: t('item.score', {
              earned: format.amount(now.earned ?? 0),
              possible: format.amount(now.possible),
            }),
          })}
        </Words>
      ))}
    </Stack>
  );
}

/** What can no longer be turned in: said once, and it asks for nothing. */
function Closed({ brief }: { brief: Brief }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  if (brief.closed.length === 0) return null;
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('brief.closed')}</Heading>
      {brief.closed.map(({ studentId, courseId, courseTitle, works, countsAs }) => (
        <Words key={`${studentId}:${courseId}`}>
          {t('brief.closedLine', {
            ...{ child: nameOf(studentId), course: courseTitle, count: works.length },
            titles: format.list(works.map(({ title }) => title)),
            as: countsAs > 0 ? format.percent(countsAs) : '0',
          })}
        </Words>
      ))}
    </Stack>
  );
}

function InHand({ brief }: { brief: Brief }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  if (brief.inHand.length === 0) return null;
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('brief.inHand')}</Heading>
      {brief.inHand.map(({ followUpId, studentId, title, lookAgainOn, owner, asked }) => (
        <WayOn
          key={followUpId}
          label={[
            lookAgainOn
              ? t('brief.comesBack', { child: nameOf(studentId), title, when: format.dayLong(lookAgainOn) })
              : t('brief.noDate', { child: nameOf(studentId), title }),
            ownerWords(t, { owner, asked }, nameOf(studentId)),
          ].join(' · ')}
          href={`/talk/follow-ups/${followUpId}`}
        />
      ))}
    </Stack>
  );
}

const ofChildren = (brief: Brief, ids: ReadonlySet<string>): Brief => ({
  ...brief,
  matters: brief.matters.filter(({ studentId }) => ids.has(studentId)),
  inHand: brief.inHand.filter(({ studentId }) => ids.has(studentId)),
  goodNews: brief.goodNews.filter(({ studentId }) => ids.has(studentId)),
  closed: brief.closed.filter(({ studentId }) => ids.has(studentId)),
  coming: brief.coming
    .map(({ on, items }) => ({ on, items: items.filter(({ studentId }) => ids.has(studentId)) }))
    .filter(({ items }) => items.length > 0),
  fresh: { ...brief.fresh, counts: brief.fresh.counts.filter(({ studentId }) => ids.has(studentId)) },
  freshness: brief.freshness.filter(({ studentIds }) => studentIds.some((id) => ids.has(id))),
});

/** The way to all that came since the last look. */
function WhatIsNew({ fresh: { since, looked, counts } }: { fresh: Brief['fresh'] }) {
  const { t } = useTranslation();
  const format = useFormat();
  const count = counts.reduce((sum, each) => sum + each.count, 0);
  const label = looked
    ? t('news.brief', { count, when: format.recent(since) })
    : t('news.briefFirst', { count });
  return <WayOn label={label} href="/brief/new" />;
}

/** How many matters there are, and as of when. */
function BriefTitle({ brief, count }: { brief: Brief; count: number }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { data: me } = useMeQuery();
  const readAt = brief.freshness.flatMap((source) => (source.readAt ? [source.readAt] : [])).sort()[0];
  const when = readAt ? format.recent(readAt) : t('shell.neverRead');
  return (
    <Stack space={0.25}>
      <Heading level={1}>
        {t('brief.title', { count, number: format.small(count), name: me?.givenName ?? '' })}
      </Heading>
      <Words colour="soft">{[format.dayLong(brief.asOf), t('shell.readAt', { when })].join(' · ')}</Words>
      {brief.freshness.map((source) => (
        <SourceDown key={source.sourceName} freshness={source} />
      ))}
      <Unconfirmed />
      <Leaving />
      <PeopleNews />
      <MailReturned />
      <WhatIsNew fresh={brief.fresh} />
    </Stack>
  );
}

interface Choosing {
  readonly selected: string | null;
  readonly onSelect: ((key: string) => void) | null;
}

function Matters({
  matters,
  label,
  leads,
  selected,
  onSelect,
}: {
  matters: readonly Matter[];
  label: string;
  /** Whether the first of them is the first of the page. */
  leads: boolean;
} & Choosing) {
  return (
    <List label={label}>
      {matters.map((matter, index) => (
        <MatterRow
          key={matter.key}
          matter={matter}
          first={leads && index === 0}
          selected={matter.key === selected}
          onSelect={onSelect && (() => onSelect(matter.key))}
        />
      ))}
    </List>
  );
}

/** What is in hand and what is coming: below the matters, or beside them where there is room. */
function Ahead({ brief }: { brief: Brief }) {
  const { t } = useTranslation();
  return (
    <Stack space={3}>
      <InHand brief={brief} />
      {brief.coming.length > 0 ? (
        <Stack>
          <Heading level={2}>{t('brief.coming')}</Heading>
          <ComingList days={brief.coming.slice(0, 3)} most={4} />
        </Stack>
      ) : null}
      <OnTheCalendar />
    </Stack>
  );
}

function BriefList({ brief, said, ...choosing }: { brief: Brief; said: ReactNode } & Choosing) {
  const { t } = useTranslation();
  const wide = useWide();
  const broad = useBroad();
  // Words to read are no things to do: they stand below, and are not counted.
  const wrote = brief.matters.filter(({ kind }) => kind === 'comment');
  const needing = brief.matters.filter(({ kind }) => kind !== 'comment');
  return (
    <Page>
      <BriefTitle brief={brief} count={needing.length} />
      <GoodNews brief={brief} />
      {said}
      {needing.length === 0 ? <FirstMinutes quiet={t('brief.quiet')} freshness={brief.freshness} /> : null}
      <Matters matters={needing} label={t('brief.matters')} leads {...choosing} />
      <Closed brief={brief} />
      {wrote.length > 0 ? (
        <View>
          <Heading level={2}>{t('brief.wrote')}</Heading>
          <Matters matters={wrote} label={t('brief.wrote')} leads={false} {...choosing} />
        </View>
      ) : null}
      {broad ? null : <Ahead brief={brief} />}
      {wide ? null : <DemoClock />}
      {/* Asked last, and late: nothing stands below it that it could move. */}
      <WhoseDevice />
    </Page>
  );
}

function NoChild() {
  const { t } = useTranslation();
  return (
    <Page>
      <Unconfirmed />
      <Heading level={1}>{t('link.noneTitle')}</Heading>
      <Words colour="soft">{t('link.none')}</Words>
      <LinkAction main label={t('link.title')} href="/link" />
      <LinkAction label={t('link.noCode')} href="/own" />
    </Page>
  );
}

/**
 * Is anything wrong? The few matters that deserve this guardian now.
 * @param said what the children say themselves.
 * @param beside what may stand beside it.
 */
export function BriefScreen({ said, beside }: { said: ReactNode; beside: Beside }) {
  const wide = useWide();
  const broad = useBroad();
  const query = useBriefQuery();
  const { shown, all } = useChildren();
  const [chosen, setChosen] = useState<string | null>(null);
  if (all.length === 0) return <NoChild />;
  return (
    <Loaded query={query}>
      {(whole) => {
        const brief = ofChildren(whole, new Set(shown.map(({ id }) => id)));
        if (!wide) return <BriefList {...{ brief, said }} selected={null} onSelect={null} />;
        const matter = brief.matters.find(({ key }) => key === chosen) ?? brief.matters[0];
        return (
          <Panes
            list={<BriefList {...{ brief, said }} selected={matter?.key ?? null} onSelect={setChosen} />}
            detail={<MatterDetail key={matter?.key ?? ''} matter={matter} beside={beside} />}
            third={
              broad ? (
                <Page>
                  <Ahead brief={brief} />
                </Page>
              ) : null
            }
          />
        );
      }}
    </Loaded>
  );
}
