import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Sitdown, SitdownPage } from '@cadro/contract';
import { useFollowUpsQuery } from '../followups/api';
import { useChildren, useFormat } from '../household';
import { BackLink, Heading, Loaded, Page, Quiet, Stack, WayOn, Words } from '../ui';
import { useSitdownsQuery } from './api';
import { becameOf } from './compose';

function PastPage({ page }: { page: SitdownPage }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const { data } = useFollowUpsQuery();
  return (
    <Stack>
      <Heading level={2}>{nameOf(page.studentId)}</Heading>
      {page.agreed.length > 0 ? (
        <Stack space={0.5}>
          <Heading level={3}>{t('agreement.weAgreed')}</Heading>
          {page.agreed.map((agreement) => (
            <View key={agreement.id}>
              <Words>
                {agreement.by
                  ? t('agreement.line', { text: agreement.text, day: format.day(agreement.by) })
                  : agreement.text}
              </Words>
              <Words size="small" colour="soft">
                {becameOf(t, agreement, data?.followUps ?? [])}
              </Words>
              {agreement.followUpId ? (
                <WayOn label={t('sitdown.seeFollowUp')} href={`/talk/follow-ups/${agreement.followUpId}`} />
              ) : null}
            </View>
          ))}
        </Stack>
      ) : null}
      {page.answer ? (
        <Stack space={0.25}>
          <Heading level={3}>{t('sitdown.sections.question')}</Heading>
          <Words>{t('matter.quote', { text: page.answer })}</Words>
        </Stack>
      ) : null}
      {(page.kept ?? []).map(({ section, lines }) => (
        <Stack key={section} space={0.25}>
          <Heading level={3}>{t(`sitdown.sections.${section}`)}</Heading>
          {lines.map((line, at) => (
            <Words key={at}>{line}</Words>
          ))}
        </Stack>
      ))}
    </Stack>
  );
}

function Past({ sitdown }: { sitdown: Sitdown }) {
  const { t } = useTranslation();
  const format = useFormat();
  return (
    <>
      <Heading level={1}>{t('sitdown.titleOn', { day: format.dayLong(sitdown.on) })}</Heading>
      {sitdown.pages.map((page) => (
        <PastPage key={page.studentId} page={page} />
      ))}
    </>
  );
}

/** A sit-down that is over: what was agreed and what came of it, then the page as it was. */
export function PastScreen({ sitdownId }: { sitdownId: string }) {
  const { t } = useTranslation();
  const query = useSitdownsQuery();
  return (
    <Loaded query={query}>
      {({ sitdowns }) => {
        const sitdown = sitdowns.find(({ id }) => id === sitdownId);
        return (
          <Page>
            <BackLink href="/talk/sit-down" label={t('sitdown.title')} />
            {sitdown ? <Past sitdown={sitdown} /> : <Quiet>{t('problems.not-found')}</Quiet>}
          </Page>
        );
      }}
    </Loaded>
  );
}
