import { useTranslation } from 'react-i18next';
import type { Bundle } from '@cadro/contract';
import { Trouble } from '../household';
import type { Format } from '../i18n';
import { Action, List, PickFile, Quietly, Row, Stack, styles, Words } from '../ui';

/** What became of a file; what it asks comes with its answers. */
function BundleLine({
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

/** So many of the last files are shown. */
const shown = 3;

/** The last files of a school, and the way to hand over another. */
export function BundleList({
  name,
  bundles,
  format,
  pick,
  answering,
  handing,
  onAnswer,
  onFile,
}: {
  /** Of the school. */
  name: string;
  bundles: readonly Bundle[];
  format: Format;
  /** What the button says. */
  pick: string;
  answering: { readonly isLoading: boolean; readonly error?: unknown };
  /** What became of the last file; without an id it was there already. */
  handing: {
    readonly isLoading: boolean;
    readonly error?: unknown;
    readonly data?: { readonly id: string | null } | undefined;
  };
  onAnswer: (bundleId: string, answer: 'take' | 'stop') => void;
  onFile: (file: File) => void;
}) {
  const { t } = useTranslation();
  return (
    <Stack space={0.5}>
      <List label={name}>
        {bundles.slice(0, shown).map((bundle) => (
          <BundleLine
            key={bundle.id}
            {...{ bundle, format }}
            busy={answering.isLoading}
            error={answering.error}
            onAnswer={(answer) => onAnswer(bundle.id, answer)}
          />
        ))}
      </List>
      <Trouble error={handing.error} />
      {handing.data?.id === null ? (
        <Words size="small" live>
          {t('operator.uploadAgain')}
        </Words>
      ) : null}
      <PickFile
        label={pick}
        hint={name}
        accept=".zip,application/zip"
        busy={handing.isLoading}
        onFile={onFile}
      />
    </Stack>
  );
}
