import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Child, Sitdown, SitdownPage } from '@cadro/contract';
import { Trouble, useChildren, useFormat } from '../household';
import {
  Action,
  BackLink,
  Heading,
  Loaded,
  Loading,
  Quiet,
  Quietly,
  RowLink,
  Row,
  Stack,
  styles,
  useWide,
  WidePage,
  Words,
} from '../ui';
import { LookBack } from './Agree';
import {
  useDropSitdownMutation,
  useOpenSitdownMutation,
  useSitdownsQuery,
  useStartSitdownMutation,
} from './api';
import { EditPage, SectionView } from './PageView';
import { Print } from './Print';
import { Rhythm } from './Rhythm';
import { Sitting } from './Sitting';
import { useKnown, usePage, type ChildPage, type Known } from './usePages';

/** One child's page before the family sits down: what Cadro made of the week, and theirs to change. */
function PreparedPage({ sitdown, before, of }: { sitdown: Sitdown; before: Sitdown | null; of: ChildPage }) {
  const { t } = useTranslation();
  const [editing, setEditing] = useState(false);
  const { child, page, sections } = of;
  const last = before?.pages.find(({ studentId }) => studentId === child.id);
  return (
    <View style={styles.gap16}>
      <Heading level={2}>{child.givenName}</Heading>
      {sections.map((section) => (
        <View key={section.section} style={styles.gap8}>
          <SectionView sitdownId={sitdown.id} page={page} section={section} editing={editing} />
          {section.section === 'agreed' && last && before ? (
            <LookBack sitdownId={before.id} page={last} />
          ) : null}
        </View>
      ))}
      {editing ? <EditPage sitdownId={sitdown.id} page={page} /> : null}
      <Quietly
        label={t(editing ? 'sitdown.doneEditing' : 'sitdown.edit', { child: child.givenName })}
        onPress={() => setEditing(!editing)}
        open={editing}
      />
    </View>
  );
}

/** Before the family sits down: the pages, the way to paper, and the beginning. */
function Prepared({
  sitdown,
  before,
  pages,
}: {
  sitdown: Sitdown;
  before: Sitdown | null;
  pages: readonly ChildPage[];
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const wide = useWide();
  const [start, { isLoading, error }] = useStartSitdownMutation();
  const [drop] = useDropSitdownMutation();
  return (
    <Stack space={3}>
      <Row wrap space={2}>
        <Action main label={t('sitdown.start')} busy={isLoading} onPress={() => void start(sitdown.id)} />
        <Quietly label={t('sitdown.throwAway')} onPress={() => void drop(sitdown.id)} />
      </Row>
      <Trouble error={error} />
      <View style={wide ? [styles.flow, styles.columns] : styles.gap16}>
        {pages.map((of) => (
          <View key={of.child.id} style={wide ? styles.fill : {}}>
            <PreparedPage {...{ sitdown, before, of }} />
          </View>
        ))}
      </View>
      <Print
        title={t('sitdown.titleOn', { day: format.dayLong(sitdown.on) })}
        pages={pages.map(({ child, sections }) => ({ name: child.givenName, sections, agreed: [] }))}
      />
    </Stack>
  );
}

type Sitters = { sitdown: Sitdown; before: Sitdown | null; known: Known; children: readonly Child[] };

/** Gathers the pages, one child after the other. */
function Gather({ gathered, ...rest }: Sitters & { gathered: readonly ChildPage[] }) {
  const { sitdown, before, known, children } = rest;
  const [child, ...others] = children;
  const page = sitdown.pages.find(({ studentId }) => studentId === child?.id);
  if (!child || !page) {
    return sitdown.state === 'open' ? (
      <Prepared {...{ sitdown, before }} pages={gathered} />
    ) : (
      <Sitting sitdown={sitdown} pages={gathered} />
    );
  }
  return (
    <GatherOne key={child.id} {...{ sitdown, before, known, child, page, gathered }} children={others} />
  );
}

function GatherOne({
  child,
  page,
  gathered,
  ...rest
}: Sitters & { child: Child; page: SitdownPage; gathered: readonly ChildPage[] }) {
  const of = usePage(child, page, rest.known, rest.before);
  return <Gather {...rest} gathered={[...gathered, of]} />;
}

/** What was agreed at a sit-down that is over, in a line. */
function PastRow({ sitdown }: { sitdown: Sitdown }) {
  const { t } = useTranslation();
  const format = useFormat();
  const agreed = sitdown.pages.flatMap((page) => page.agreed);
  const held = agreed.filter((each) => each.held === true).length;
  const said =
    agreed.length === 0
      ? t('sitdown.nothingAgreed')
      : [
          t('sitdown.agreedCount', { count: agreed.length }),
          ...(held > 0 ? [t('sitdown.heldCount', { count: held })] : []),
        ].join(' · ');
  const day = format.date(sitdown.on);
  return (
    <RowLink href={`/talk/sit-down/${sitdown.id}`} label={`${day}. ${said}`}>
      <Words bold>{day}</Words>
      <Words size="small" colour="soft">
        {said}
      </Words>
    </RowLink>
  );
}

function Begin() {
  const { t } = useTranslation();
  const format = useFormat();
  const { all, mayTalk } = useChildren();
  const [open, { isLoading, error }] = useOpenSitdownMutation();
  if (!all.some(({ id }) => mayTalk(id))) return <Quiet>{t('sitdown.noneYet')}</Quiet>;
  return (
    <Stack>
      <Words>{t('sitdown.lead')}</Words>
      <Trouble error={error} />
      <Action main label={t('sitdown.begin')} busy={isLoading} onPress={() => void open(format.today)} />
    </Stack>
  );
}

/** The family's weekly half hour: the page for it, the half hour itself, and those before. */
export function SitdownScreen() {
  const { t } = useTranslation();
  const query = useSitdownsQuery();
  const known = useKnown();
  const { all, mayTalk } = useChildren();
  const children = all.filter(({ id }) => mayTalk(id));
  return (
    <Loaded query={query}>
      {({ sitdowns, rhythmEntryId }) => {
        const open = sitdowns.find(({ state }) => state !== 'held');
        const past = sitdowns.filter(({ state }) => state === 'held');
        return (
          <WidePage>
            <BackLink href="/talk" label={t('places.talk')} />
            <Heading level={1}>{t('sitdown.title')}</Heading>
            {open?.state === 'under-way' ? null : <Rhythm entryId={rhythmEntryId} />}
            {!open ? <Begin /> : null}
            {open && !known ? <Loading /> : null}
            {open && known ? (
              <Gather sitdown={open} before={past[0] ?? null} {...{ known, children }} gathered={[]} />
            ) : null}
            {open?.state !== 'under-way' && past.length > 0 ? (
              <View>
                <Heading level={2}>{t('sitdown.past')}</Heading>
                {past.map((each) => (
                  <PastRow key={each.id} sitdown={each} />
                ))}
              </View>
            ) : null}
          </WidePage>
        );
      }}
    </Loaded>
  );
}
