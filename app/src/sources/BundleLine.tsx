import { useTranslation } from 'react-i18next';
import type { Bundle } from '@cadro/contract';
import { Trouble } from '../household';
import type { Format } from '../i18n';
import { Action, Quietly, Row, Stack, styles, Words } from '../ui';

/** What became of a file; what it asks comes with its answers. */
export function BundleLine({
  bundle,
  format,
  busy,
  error,
  onAnswer,
}: {
  bundle: Bundle;
  format: Format;
  busy: boolean;
  error: unknown;
  onAnswer: (answer: 'take' | 'stop') => void;
}) {
  const { t } = useTranslation();
  const { name, state, fault, ask, records, problems, cameAt } = bundle;
  const said = t(`operator.bundleState.${state}`, {
    count: records,
    when: format.dayTime(cameAt),
    fault: fault ? t(`operator.bundleFault.${fault}`) : '',
  });
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
          <Action label={t('operator.bundleTake')} hint={name} busy={busy} onPress={() => onAnswer('take')} />
          <Quietly label={t('operator.bundleLeave')} hint={name} onPress={() => onAnswer('stop')} />
        </Row>
      ) : state === 'waiting' || state === 'reading' ? (
        <Quietly label={t('operator.bundleStop')} hint={name} onPress={() => onAnswer('stop')} />
      ) : null}
    </Stack>
  );
}
