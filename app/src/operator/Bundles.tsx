import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Bundle, OperatorSource } from '@cadro/contract';
import { Trouble } from '../household';
import { BundleLine } from '../sources';
import { PickFile, Stack, Words } from '../ui';
import { useAnswerBundleMutation, usePutBundleMutation } from './api';
import { useOperatorFormat } from './useOperatorFormat';

/** So many of the last files are shown. */
const shown = 3;

function OwnLine({ bundle }: { bundle: Bundle }) {
  const format = useOperatorFormat();
  const [give, { isLoading, error }] = useAnswerBundleMutation();
  return (
    <BundleLine
      {...{ bundle, format, error }}
      busy={isLoading}
      onAnswer={(answer) => void give({ bundleId: bundle.id, answer })}
    />
  );
}

/** The files of a school that hands some over, and the way to hand over another. */
export function Bundles({ source: { id, name, bundles } }: { source: OperatorSource }) {
  const { t } = useTranslation();
  const [put, { data, isLoading, error }] = usePutBundleMutation();
  return (
    <Stack space={0.5}>
      <View role="list" aria-label={name}>
        {bundles.slice(0, shown).map((bundle) => (
          <View key={bundle.id} role="listitem">
            <OwnLine bundle={bundle} />
          </View>
        ))}
      </View>
      <Trouble error={error} />
      {data?.id === null ? (
        <Words size="small" live>
          {t('operator.uploadAgain')}
        </Words>
      ) : null}
      <PickFile
        label={t('operator.upload')}
        hint={name}
        accept=".zip,application/zip"
        busy={isLoading}
        onFile={(file) => void put({ sourceId: id, file })}
      />
    </Stack>
  );
}
