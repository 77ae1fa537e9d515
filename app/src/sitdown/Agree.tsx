import { useTranslation } from 'react-i18next';
import type { Child, SitdownPage } from '@cadro/contract';
import { Agree as AgreeOn, withAgreement } from '../followups';
import { Quietly, Row, Stack, Words } from '../ui';
import { usePageChange } from './PageView';

/** What was agreed, and the way to agree on more. */
export function Agree({ sitdownId, page, child }: { sitdownId: string; page: SitdownPage; child: Child }) {
  const { t } = useTranslation();
  const { now, error } = usePageChange(sitdownId, page);
  return (
    <AgreeOn
      {...{ child, error }}
      agreed={page.agreed}
      question={t('sitdown.agree', { child: child.givenName })}
      keep={(made) => now(({ agreed }) => ({ agreed: withAgreement(agreed, made) }))}
    />
  );
}

/** What was agreed the last time, each with whether it held; said by whoever looks back. */
export function LookBack({
  sitdownId,
  page,
}: {
  /** The one before. */
  sitdownId: string;
  page: SitdownPage;
}) {
  const { t } = useTranslation();
  const { now } = usePageChange(sitdownId, page);
  const say = (id: string, held: boolean | null) =>
    void now(({ agreed }) => ({ agreed: agreed.map((each) => (each.id === id ? { ...each, held } : each)) }));
  if (page.agreed.length === 0) return null;
  return (
    <Stack space={0.5}>
      {page.agreed.map(({ id, text, held }) => (
        <Row key={id} wrap>
          <Words size="small">{text}</Words>
          {held === null ? (
            <>
              <Quietly label={t('sitdown.itHeld')} hint={text} onPress={() => say(id, true)} />
              <Quietly label={t('sitdown.itDidNot')} hint={text} onPress={() => say(id, false)} />
            </>
          ) : (
            <Quietly
              label={t(held ? 'sitdown.held' : 'sitdown.notHeld')}
              hint={t('sitdown.undo')}
              onPress={() => say(id, null)}
            />
          )}
        </Row>
      ))}
    </Stack>
  );
}
