import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { OperatorState } from '@cadro/contract';
import { Trouble } from '../household';
import { Action, Field, Heading, Quietly, Row, Stack, Words } from '../ui';
import { useAddSourceMutation, useReadSourceMutation } from './api';
import { useOperatorFormat } from './useOperatorFormat';

type Source = OperatorState['sources'][number];

/** How a school's system does: what is wrong with it comes first. */
function SourceLine({ source }: { source: Source }) {
  const { t } = useTranslation();
  const format = useOperatorFormat();
  const [read, { isSuccess, error }] = useReadSourceMutation();
  const { name, readAt, failingSince, fault, aside, id } = source;
  const state = failingSince
    ? t('operator.failing', { when: format.dayTime(failingSince), fault: fault ?? '' })
    : readAt
      ? t('operator.read', { when: format.dayTime(readAt) })
      : t('operator.notRead');
  return (
    <Stack space={0}>
      <Words bold>{name}</Words>
      <Words size="small" colour={failingSince ? 'plum' : 'soft'}>
        {[state, ...(aside > 0 ? [t('operator.aside', { count: aside })] : [])].join(' · ')}
      </Words>
      <Trouble error={error} />
      {isSuccess ? (
        <Words size="small" live>
          {t('operator.reading')}
        </Words>
      ) : (
        <Quietly label={t('operator.readNow')} hint={name} onPress={() => void read(id)} />
      )}
    </Stack>
  );
}

const fields = ['name', 'baseUrl', 'clientId', 'clientSecret'] as const;
const empty = { name: '', baseUrl: '', clientId: '', clientSecret: '' };

function AddSource({ onDone }: { onDone: () => void }) {
  const { t } = useTranslation();
  const [source, setSource] = useState(empty);
  const [add, { isLoading, error }] = useAddSourceMutation();
  const save = async () => {
    const answer = await add(source);
    if (!answer.error) onDone();
  };
  return (
    <Stack>
      {fields.map((field) => (
        <Field
          key={field}
          label={t(`operator.source.${field}`)}
          value={source[field]}
          onChange={(value) => setSource({ ...source, [field]: value })}
          kind={field === 'clientSecret' ? 'newPassword' : 'name'}
          longest={500}
        />
      ))}
      <Trouble error={error} />
      <Row wrap>
        <Action
          main
          label={t('operator.addSource')}
          busy={isLoading}
          disabled={fields.some((field) => source[field].trim() === '')}
          onPress={() => void save()}
        />
        <Quietly label={t('desk.cancel')} onPress={onDone} />
      </Row>
    </Stack>
  );
}

/** The schools' systems, and the way to add one. */
export function Sources({ sources }: { sources: readonly Source[] }) {
  const { t } = useTranslation();
  const [adding, setAdding] = useState(false);
  return (
    <Stack>
      <Heading level={2}>{t('operator.sources')}</Heading>
      {sources.length === 0 ? <Words colour="soft">{t('operator.noSources')}</Words> : null}
      <View role="list" aria-label={t('operator.sources')}>
        {sources.map((source) => (
          <View key={source.id} role="listitem">
            <SourceLine source={source} />
          </View>
        ))}
      </View>
      {adding ? (
        <AddSource onDone={() => setAdding(false)} />
      ) : (
        <Action label={t('operator.addSource')} onPress={() => setAdding(true)} />
      )}
    </Stack>
  );
}
