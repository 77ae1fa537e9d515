import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { OperatorSource } from '@cadro/contract';
import { Trouble } from '../household';
import { Action, Choice, Field, Quietly, Row, Stack, Words } from '../ui';
import { useAddBundleSourceMutation, useAddSourceMutation } from './api';

type Kind = OperatorSource['kind'];
const kinds: readonly Kind[] = ['interface', 'bundles'];
const fieldsOf = {
  interface: ['name', 'timeZone', 'baseUrl', 'clientId', 'clientSecret'],
  bundles: ['name', 'timeZone'],
} as const satisfies Readonly<Record<Kind, readonly string[]>>;

const begin = () => ({
  name: '',
  timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  baseUrl: '',
  clientId: '',
  clientSecret: '',
});

/** A school whose system is asked, or one that hands over files. */
export function AddSource({ onDone }: { onDone: () => void }) {
  const { t } = useTranslation();
  const [kind, setKind] = useState<Kind>('interface');
  const [source, setSource] = useState(begin);
  const [add, system] = useAddSourceMutation();
  const [addBundles, files] = useAddBundleSourceMutation();
  const { name, timeZone } = source;
  const save = async () => {
    const answer = await (kind === 'interface' ? add(source) : addBundles({ name, timeZone }));
    if (!answer.error) onDone();
  };
  return (
    <Stack>
      <Choice
        titled
        label={t('operator.kind')}
        options={kinds.map((value) => ({ value, label: t(`operator.kinds.${value}`) }))}
        value={kind}
        onChange={setKind}
      />
      <Words size="small" colour="soft">
        {t(`operator.kindHint.${kind}`)}
      </Words>
      {fieldsOf[kind].map((field) => (
        <Field
          key={field}
          label={t(`operator.source.${field}`)}
          value={source[field]}
          onChange={(value) => setSource({ ...source, [field]: value })}
          kind={field === 'clientSecret' ? 'newPassword' : 'name'}
          longest={500}
        />
      ))}
      <Trouble error={kind === 'interface' ? system.error : files.error} />
      <Row wrap>
        <Action
          main
          label={t('operator.addSource')}
          busy={system.isLoading || files.isLoading}
          disabled={fieldsOf[kind].some((field) => source[field].trim() === '')}
          onPress={() => void save()}
        />
        <Quietly label={t('desk.cancel')} onPress={onDone} />
      </Row>
    </Stack>
  );
}
