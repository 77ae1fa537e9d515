import type { Href } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Digest, DigestChild } from '@cadro/contract';
import {
  digestNothing,
  digestSections,
  digestSpan,
  digestTitle,
  isEmptyDigest,
  type DigestSection,
} from '@cadro/core';
import { useChildren } from '../household';
import {
  BackLink,
  Heading,
  List,
  Loaded,
  OutLink,
  Page,
  Row,
  RowLink,
  Stack,
  styles,
  useWide,
  WayOn,
  WidePage,
  Words,
} from '../ui';
import { digestPaper, useDigestQuery } from './api';
import { useLanguage } from './useTold';

function Section({ title, lines }: DigestSection) {
  return (
    <Stack space={0}>
      <Heading level={3}>{title}</Heading>
      <List>
        {lines.map(({ key, text, place }) =>
          place ? (
            <RowLink key={key} href={place as Href} label={text}>
              <Words>{text}</Words>
            </RowLink>
          ) : (
            <Words key={key} style={styles.around12}>
              {text}
            </Words>
          ),
        )}
      </List>
    </Stack>
  );
}

function ChildPart({ child }: { child: DigestChild }) {
  const { sections, more } = digestSections(useLanguage(), child);
  return (
    <Stack space={2}>
      <Heading level={2}>{child.givenName}</Heading>
      {sections.map((section) => (
        <Section key={section.title} {...section} />
      ))}
      {more ? (
        <Words size="small" colour="soft">
          {more}
        </Words>
      ) : null}
    </Stack>
  );
}

/** A digest's children, side by side where there is room. */
function Children({ of, beside }: { of: readonly DigestChild[]; beside: boolean }) {
  const language = useLanguage();
  if (isEmptyDigest(of)) return <Words>{digestNothing(language)}</Words>;
  return (
    <View style={[styles.columns, own.parts, beside && styles.row]}>
      {of.map((child) => (
        <View key={child.studentId} style={beside ? { flex: 1, minWidth: 260 } : {}}>
          <ChildPart child={child} />
        </View>
      ))}
    </View>
  );
}

/** The digest up to now of the children that are shown, with its name. */
function useShown(): (digest: Digest) => { children: readonly DigestChild[]; title: string } {
  const language = useLanguage();
  const { shown } = useChildren();
  return ({ children, rhythm }) => ({
    children: children.filter(({ studentId }) => shown.some(({ id }) => id === studentId)),
    title: digestTitle(language, rhythm === 'daily'),
  });
}

/** The digest of the days up to now. */
export function DigestScreen() {
  const { t } = useTranslation();
  const wide = useWide();
  const language = useLanguage();
  const shown = useShown();
  const query = useDigestQuery();
  const Frame = wide ? WidePage : Page;
  return (
    <Loaded query={query}>
      {(digest) => {
        const { children, title } = shown(digest);
        return (
          <Frame>
            <BackLink href="/alerts" label={t('alerts.title')} />
            <Stack space={0.25}>
              <Heading level={1}>{title}</Heading>
              <Words colour="soft">{`${digestSpan(language, digest)}. ${t('digestPage.lead')}`}</Words>
              <Row space={2} wrap>
                <OutLink label={t('digestPage.paper')} href={digestPaper()} />
                <WayOn label={t('alerts.toDelivery')} href="/alerts/delivery" />
              </Row>
            </Stack>
            <Children of={children} beside={wide} />
          </Frame>
        );
      }}
    </Loaded>
  );
}

/** The same beside the list of alerts, while none of them is open. */
export function DigestSheet() {
  const { t } = useTranslation();
  const shown = useShown();
  const query = useDigestQuery();
  return (
    <Page sheet>
      <Words colour="soft">{t('alerts.pick')}</Words>
      <Loaded query={query}>
        {(digest) => {
          const { children, title } = shown(digest);
          return (
            <>
              <Heading level={2}>{title}</Heading>
              <Children of={children} beside={false} />
            </>
          );
        }}
      </Loaded>
    </Page>
  );
}

const own = StyleSheet.create({
  parts: { rowGap: 32 },
});
