import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { problemWords } from '../i18n';
import { Action, Field, Heading, Page, Row, Stack, WayOn, Words } from '../ui';
import { useLinkMutation, usePreviewLinkMutation } from './api';

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
  return (
    <Page>
      <Heading level={1}>{t('link.title')}</Heading>
      <Words colour="soft">{t('link.lead')}</Words>
      {preview.data ? (
        <Stack space={2}>
          <Stack space={0.5}>
            <Words size="small" colour="soft">
              {t('link.whose')}
            </Words>
            <Words size="matter" bold>{`${preview.data.givenName} ${preview.data.familyName}`}</Words>
            <Words>{t('link.at', { school: preview.data.schoolName, year: preview.data.year })}</Words>
          </Stack>
          <Row wrap>
            <Action
              main
              label={t('link.yes', { name: preview.data.givenName })}
              onPress={() => void link(code)}
              busy={linked.isLoading}
            />
            <Action
              label={t('link.no')}
              onPress={() => {
                preview.reset();
                linked.reset();
                setCode('');
              }}
            />
          </Row>
        </Stack>
      ) : (
        <Stack space={2}>
          <Field
            label={t('link.code')}
            value={code}
            onChange={setCode}
            longest={40}
            onSubmit={() => void look(code)}
          />
          <Row wrap>
            <Action
              main
              label={t('link.look')}
              onPress={() => void look(code)}
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
