import { useState, type ComponentType, type ReactNode } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Brief, Matter } from '@cadro/contract';
import { WhoseDevice } from '../device';
import { Unconfirmed, useChildren } from '../household';
import { DemoClock } from '../sources';
import { Heading, LinkAction, List, Loaded, Page, Panes, Quiet, useBroad, useWide, Words } from '../ui';
import { useBriefQuery } from './api';
import { Ahead, BriefTitle, Closed, GoodNews, WhatIsNew } from './BriefParts';
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
          // Where what it is about stands beside it, the step is there.
          first={leads && index === 0 && onSelect === null}
          selected={matter.key === selected}
          onSelect={onSelect && (() => onSelect(matter.key))}
        />
      ))}
    </List>
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
      <WhatIsNew fresh={brief.fresh} />
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
