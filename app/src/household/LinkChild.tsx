import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { LinkPreview } from '@cadro/contract';
import { problemWords } from '../i18n';
import { Action, Field, Heading, Page, Row, Stack, WayOn, Words } from '../ui';
import { useLinkMutation, usePreviewLinkMutation } from './api';

/** Whose record the code opens, to be agreed to or not. */
function Whose({
  child,
  busy,
  onLink,
  onBack,
}: {
  child: LinkPreview;
  busy: boolean;
  onLink: () => void;
  onBack: () => void;
}) {
  const { t } = useTranslation();
  return (
    <Stack space={2}>
      <Stack space={0.5}>
        <Words size="small" colour="soft">
          {t('link.whose')}
        </Words>
        <Words size="matter" bold>{`${child.givenName} ${child.familyName}`}</Words>
        <Words>{t('link.at', { school: child.schoolName, year: child.year })}</Words>
      </Stack>
      <Row wrap>
        <Action main label={t('link.yes', { name: child.givenName })} onPress={onLink} busy={busy} />
        <Action label={t('link.no')} onPress={onBack} />
      </Row>
    </Stack>
  );
}

/** A code, whose record it opens, and only then the link. */
export function LinkChild() {
  const { t } = useTranslation();
  const [code, setCode] = useState('');
  const [look, preview] = usePreviewLinkMutation();
  const [link, linked] = useLinkMutation();
  if (linked.data) {
    return (
      <Page>
        <Heading level={1}>{t('link.done', { name: linked.data.givenName })}</Heading>
        <WayOn label={t('places.brief')} href="/brief" />
      </Page>
    );
  }
  const error = linked.error ?? preview.error;
  const ask = () => void look(code);
  const back = () => {
    preview.reset();
    linked.reset();
    setCode('');
  };
  return (
    <Page>
      <Heading level={1}>{t('link.title')}</Heading>
      <Words colour="soft">{t('link.lead')}</Words>
      {preview.data ? (
        <Whose child={preview.data} busy={linked.isLoading} onLink={() => void link(code)} onBack={back} />
      ) : (
        <Stack space={2}>
          <Field label={t('link.code')} value={code} onChange={setCode} longest={40} onSubmit={ask} />
          <Row wrap>
            <Action
              main
              label={t('link.look')}
              onPress={ask}
              busy={preview.isLoading}
              disabled={code.trim().length < 4}
            />
            <WayOn label={t('link.later')} href="/brief" />
          </Row>
        </Stack>
      )}
      {error ? (
        <Words colour="plum" live>
          {problemWords(t, error)}
        </Words>
      ) : null}
    </Page>
  );
}
