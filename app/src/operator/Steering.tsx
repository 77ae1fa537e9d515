import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { OperatorSource } from '@cadro/contract';
import { Trouble } from '../household';
import { Action, Field, Quietly, Row, Stack, Words } from '../ui';
import { useAddSourceMutation, useReadSourceMutation, useSteerSourceMutation } from './api';
import { useOperatorFormat } from './useOperatorFormat';

interface Of {
  readonly source: OperatorSource;
}

/** What a reading would take away, and the answer to that. */
function Shrinks({ source: { id, name, shrinks } }: Of) {
  const { t } = useTranslation();
  const format = useOperatorFormat();
  const [steer, { isLoading, error }] = useSteerSourceMutation();
  if (!shrinks) return null;
  const { what, gone, of } = shrinks;
  return (
    <Stack space={0.5}>
      <Words>
        {t('operator.bundleAsks', {
          ...{ name, gone: format.amount(gone), of: format.amount(of), share: format.percent(gone / of) },
          what: t(`operator.bundleWhat.${what}`),
        })}
      </Words>
      <Trouble error={error} />
      <Row wrap>
        <Action
          label={t('operator.bundleTake')}
          hint={name}
          busy={isLoading}
          onPress={() => void steer({ sourceId: id, what: 'let-go' })}
        />
      </Row>
      <Words size="small" colour="soft">
        {t('operator.shrinksElse')}
      </Words>
    </Stack>
  );
}

/** New credentials for a system that is known; the old ones are never shown. */
function Credentials({ source: { name, baseUrl }, onDone }: Of & { onDone: () => void }) {
  const { t } = useTranslation();
  const [clientId, setClientId] = useState('');
  const [clientSecret, setClientSecret] = useState('');
  const [put, { isLoading, error }] = useAddSourceMutation();
  const save = async () => {
    const answer = await put({ name, baseUrl, clientId, clientSecret });
    if (!('error' in answer)) onDone();
  };
  return (
    <Stack>
      <Field label={t('operator.source.clientId')} value={clientId} longest={120} onChange={setClientId} />
      <Field
        label={t('operator.source.clientSecret')}
        kind="newPassword"
        value={clientSecret}
        longest={500}
        onChange={setClientSecret}
      />
      <Trouble error={error} />
      <Row wrap>
        <Action
          main
          label={t('operator.saveCredentials')}
          hint={name}
          busy={isLoading}
          disabled={clientId.trim() === '' || clientSecret === ''}
          onPress={() => void save()}
        />
        <Quietly label={t('desk.cancel')} onPress={onDone} />
      </Row>
    </Stack>
  );
}

/** What can be done about the reading of a school's system: now, not now, no further, with other credentials. */
export function Steering({ source }: Of) {
  const { t } = useTranslation();
  const format = useOperatorFormat();
  const { id, name, paused, progress } = source;
  const [read, reading] = useReadSourceMutation();
  const [steer, steering] = useSteerSourceMutation();
  const [anew, setAnew] = useState(false);
  const go = (what: 'pause' | 'resume' | 'stop') => void steer({ sourceId: id, what });
  return (
    <Stack space={0.5}>
      <Shrinks source={source} />
      {progress ? (
        <Words size="small" live>
          {t('operator.progress', { count: progress.records, of: format.amount(progress.records) })}
        </Words>
      ) : null}
      <Trouble error={reading.error ?? steering.error} />
      {reading.isSuccess && !progress ? (
        <Words size="small" live>
          {t('operator.reading')}
        </Words>
      ) : null}
      {anew ? (
        <Credentials source={source} onDone={() => setAnew(false)} />
      ) : (
        <Row wrap space={2}>
          {progress ? (
            <Quietly label={t('operator.bundleStop')} hint={name} onPress={() => go('stop')} />
          ) : paused ? null : (
            <Quietly label={t('operator.readNow')} hint={name} onPress={() => void read(id)} />
          )}
          <Quietly
            label={t(paused ? 'operator.resume' : 'operator.pause')}
            hint={name}
            onPress={() => go(paused ? 'resume' : 'pause')}
          />
          <Quietly label={t('operator.credentials')} hint={name} onPress={() => setAnew(true)} />
        </Row>
      )}
    </Stack>
  );
}
