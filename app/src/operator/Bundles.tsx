import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { OperatorSource } from '@cadro/contract';
import { Trouble } from '../household';
import { Action, PickFile, Quietly, Row, Stack, styles, Words } from '../ui';
import { useAnswerBundleMutation, usePutBundleMutation } from './api';
import { useOperatorFormat } from './useOperatorFormat';

type Bundle = OperatorSource['bundles'][number];
/** So many of the last files are shown. */
const shown = 3;

/** What became of a file; what it asks comes with its answers. */
function BundleLine({ bundle }: { bundle: Bundle }) {
  const { t } = useTranslation();
  const format = useOperatorFormat();
  const [give, { isLoading, error }] = useAnswerBundleMutation();
  const { id, name, state, fault, ask, records, problems, cameAt } = bundle;
  const said = t(`operator.bundleState.${state}`, {
    count: records,
    when: format.dayTime(cameAt),
    fault: fault ? t(`operator.bundleFault.${fault}`) : '',
  });
  const answer = (value: 'take' | 'stop') => void give({ bundleId: id, answer: value });
  return (
    <Stack space={0.5} style={styles.around10}>
      {ask ? (
        <Words bold>
          {t('operator.bundleAsks', {
            ...{ name, gone: format.amount(ask.gone), what: t(`operator.bundleWhat.${ask.what}`) },
            ...{ of: format.amount(ask.of), share: format.percent(ask.gone / ask.of) },
          })}
        </Words>
      ) : (
        <Words size="small" colour={state === 'refused' ? 'plum' : 'ink'}>
          {[
            t('operator.bundle', { name, state: said }),
            ...(problems > 0 ? [t('operator.aside', { count: problems })] : []),
          ].join(' · ')}
        </Words>
      )}
      <Trouble error={error} />
      {ask ? (
        <Row wrap>
          <Action
            label={t('operator.bundleTake')}
            hint={name}
            busy={isLoading}
            onPress={() => answer('take')}
          />
          <Quietly label={t('operator.bundleLeave')} hint={name} onPress={() => answer('stop')} />
        </Row>
      ) : state === 'waiting' || state === 'reading' ? (
        <Quietly label={t('operator.bundleStop')} hint={name} onPress={() => answer('stop')} />
      ) : null}
    </Stack>
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
            <BundleLine bundle={bundle} />
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
