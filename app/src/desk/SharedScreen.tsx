import { useTranslation } from 'react-i18next';
import type { Desk } from '@cadro/contract';
import { useFormat, useSelf } from '../household';
import { BackLink, Heading, Loaded, Page, Stack, TickLine, Words } from '../ui';
import { useDeskQuery, useShareMutation } from './api';

/** One side of the list: who sees, and what. */
export function Side({ title, lines }: { title: string; lines: readonly string[] }) {
  return (
    <Stack space={0.5}>
      <Heading level={2}>{title}</Heading>
      {lines.map((line) => (
        <Words key={line}>{`– ${line}`}</Words>
      ))}
    </Stack>
  );
}

function Shared({ desk }: { desk: Desk }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [share] = useShareMutation();
  const { shares, family, studentId } = desk;
  return (
    <Page>
      <BackLink href="/desk" label={t('places.desk')} />
      <Stack space={0.25}>
        <Heading level={1}>{t('desk.shared.title')}</Heading>
        <Words colour="soft">
          {family.length > 0
            ? t('desk.shared.family', { names: format.list(family) })
            : t('desk.shared.alone')}
        </Words>
      </Stack>
      <Side
        title={t('desk.shared.theySee')}
        lines={[
          t('desk.shared.theyRecord'),
          t('desk.shared.theyAnswers'),
          t('desk.shared.theyWords'),
          t(shares.aims ? 'desk.shared.theyAims' : 'desk.shared.theyAimsOff'),
        ]}
      />
      <TickLine
        label={t('desk.shared.showAims')}
        on={shares.aims}
        onChange={(shown) => void share({ studentId, what: 'aims', shown })}
      />
      <Side
        title={t('desk.shared.youSee')}
        lines={[
          t(shares.evenings ? 'desk.shared.youEvenings' : 'desk.shared.youEveningsOff'),
          t('desk.shared.youNot'),
        ]}
      />
    </Page>
  );
}

/** To the child: what it and its family see of each other. */
export function SharedScreen() {
  const query = useDeskQuery(useSelf()?.id ?? '', { refetchOnMountOrArgChange: true });
  return <Loaded query={query}>{(desk) => <Shared desk={desk} />}</Loaded>;
}
