import type { Href } from 'expo-router';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { placeOfAlert, type DigestChild, type DigestEntry } from '@cadro/contract';
import { digestSpan, digestWords, formatsFor, isEmptyDigest, movedLine } from '@cadro/core';
import { useChildren } from '../household';
import { BackLink } from '../shell/BackLink';
import { Heading, Loaded, OutLink, Page, RowLink, Row, Stack, useWide, WayOn, WidePage, Words } from '../ui';
import { digestPaper, useDigestQuery } from './api';
import { useLanguage, useTold } from './useTold';

function Entries({ title, entries }: { title: string; entries: readonly DigestEntry[] }) {
  const tell = useTold();
  if (entries.length === 0) return null;
  return (
    <Stack space={0}>
      <Heading level={3}>{title}</Heading>
      {entries.map((entry) => {
        const { headline } = tell(entry);
        const place = placeOfAlert(entry, entry.reasons) as Href; // an address of the app, by the contract
        return (
          <RowLink key={entry.key} href={place} label={headline}>
            <Words>{headline}</Words>
          </RowLink>
        );
      })}
    </Stack>
  );
}

function Lines({ title, lines }: { title: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <Stack space={0.5}>
      <Heading level={3}>{title}</Heading>
      {lines.map((line) => (
        <Words key={line}>{line}</Words>
      ))}
    </Stack>
  );
}

function ChildPart({ child }: { child: DigestChild }) {
  const language = useLanguage();
  const words = digestWords(language);
  const formats = formatsFor(language, child.timeZone);
  const { sections } = words;
  return (
    <Stack space={2}>
      <Heading level={2}>{child.givenName}</Heading>
      <Entries title={sections.good} entries={child.good} />
      {child.needs.length > 0 ? (
        <Entries title={sections.needs} entries={child.needs} />
      ) : (
        <Lines title={sections.needs} lines={[words.needsNone]} />
      )}
      <Entries title={sections.before} entries={child.before} />
      <Entries title={sections.comments} entries={child.comments} />
      <Lines
        title={sections.coming}
        lines={child.coming.map(
          ({ title, courseTitle, dueAt, possible, test }) =>
            `${formats.day(dueAt)}: ${words.work(title, courseTitle, test, possible)}`,
        )}
      />
      <Lines title={sections.attendance} lines={[words.attended(child.attendance)]} />
      <Lines
        title={sections.changed}
        lines={child.changed.map((moved) => movedLine(language, formats, moved))}
      />
      {child.more > 0 ? (
        <Words size="small" colour="soft">
          {words.more(child.more)}
        </Words>
      ) : null}
    </Stack>
  );
}

/** The digest of the days up to now: all children on one page. */
export function DigestScreen() {
  const { t } = useTranslation();
  const wide = useWide();
  const language = useLanguage();
  const words = digestWords(language);
  const { shown } = useChildren();
  const query = useDigestQuery();
  const Frame = wide ? WidePage : Page;
  return (
    <Loaded query={query}>
      {(digest) => {
        const children = digest.children.filter(({ studentId }) => shown.some(({ id }) => id === studentId));
        return (
          <Frame>
            <BackLink href="/alerts" label={t('alerts.title')} />
            <Stack space={0.25}>
              <Heading level={1}>{words.title(digest.rhythm === 'daily')}</Heading>
              <Words colour="soft">{`${digestSpan(language, digest)}. ${t('digestPage.lead')}`}</Words>
              <Row space={2} wrap>
                <OutLink label={t('digestPage.paper')} href={digestPaper()} />
                <WayOn label={t('alerts.toDelivery')} href="/alerts/delivery" />
              </Row>
            </Stack>
            {isEmptyDigest(children) ? <Words>{words.nothing}</Words> : null}
            <View style={{ flexDirection: wide ? 'row' : 'column', columnGap: 40, rowGap: 32 }}>
              {children.map((child) => (
                <View key={child.studentId} style={wide ? { flex: 1, minWidth: 260 } : {}}>
                  <ChildPart child={child} />
                </View>
              ))}
            </View>
          </Frame>
        );
      }}
    </Loaded>
  );
}
