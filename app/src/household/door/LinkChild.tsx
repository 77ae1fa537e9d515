import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Action, Heading, Page, Row, Stack, WayOn, Words } from '../../ui';
import { useLinkMutation, usePreviewLinkMutation } from '../api';
import { useFormat } from '../useFormat';
import { forgetDoor, rememberedDoor, useCarried } from './carried';
import { CodeField, isCode } from './CodeField';
import { Trouble } from './Trouble';
import { namesOf, Whose } from './Whose';

/** A code, whose record it opens, and only then the link. */
export function LinkChild() {
  const { t } = useTranslation();
  const format = useFormat();
  const carried = useCarried();
  const [code, setCode] = useState(carried || rememberedDoor().code);
  const [look, preview] = usePreviewLinkMutation();
  const [link, linked] = useLinkMutation();
  if (linked.data && preview.data) {
    return (
      <Page>
        <Heading level={1}>{t('link.done', { name: namesOf(preview.data, format.list) })}</Heading>
        <WayOn label={t('places.brief')} href="/brief" />
      </Page>
    );
  }
  const ask = () => void look(code);
  const back = () => {
    preview.reset();
    linked.reset();
    setCode('');
  };
  const agree = async () => {
    const answer = await link(code);
    if (!('error' in answer)) forgetDoor();
  };
  return (
    <Page>
      <Heading level={1}>{t('link.title')}</Heading>
      <Words colour="soft">{t('link.lead')}</Words>
      {preview.data ? (
        <Whose
          way={preview.data}
          yes={t('link.yes', { name: namesOf(preview.data, format.list) })}
          busy={linked.isLoading}
          onYes={() => void agree()}
          onBack={back}
        />
      ) : (
        <Stack space={2}>
          <CodeField value={code} onChange={setCode} onSubmit={ask} />
          <Row wrap>
            <Action
              main
              label={t('door.look')}
              onPress={ask}
              busy={preview.isLoading}
              disabled={!isCode(code)}
            />
            <WayOn label={t('link.later')} href="/brief" />
          </Row>
          <WayOn label={t('link.noCode')} href="/own" />
        </Stack>
      )}
      <Trouble error={linked.error ?? preview.error} />
    </Page>
  );
}
