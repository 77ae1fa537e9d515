import { useEffect } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Bundle, OwnSchool } from '@cadro/contract';
import { Trouble, useFormat } from '../../household';
import { api, useAppDispatch } from '../../store';
import { PickFile, Stack, Words } from '../../ui';
import { useAnswerExportMutation, useOwnSchoolsQuery, usePutExportMutation } from '../api';
import { BundleLine } from '../BundleLine';

/** While a file is being read, it is looked after this often. */
const pollMs = 2_000;
/** So many of the last files are shown. */
const shown = 3;

const isUnderWay = ({ state }: Bundle): boolean =>
  state === 'coming' || state === 'waiting' || state === 'reading';

/** The schools whose exports one hands over, kept up to date while a file is being read. */
export function useOwnSchools() {
  const dispatch = useAppDispatch();
  const known = useOwnSchoolsQuery();
  const busy = (known.data?.schools ?? []).some(({ bundles }) => bundles.some(isUnderWay));
  const { data, isError, refetch } = useOwnSchoolsQuery(undefined, { pollingInterval: busy ? pollMs : 0 });
  // What a file brought stands on other pages, and its child may be new.
  useEffect(() => {
    if (!busy) dispatch(api.util.invalidateTags(['Me']));
  }, [busy, dispatch]);
  return { data, isError, refetch };
}

function ExportLine({ bundle }: { bundle: Bundle }) {
  const format = useFormat();
  const [give, { isLoading, error }] = useAnswerExportMutation();
  return (
    <BundleLine
      {...{ bundle, format, error }}
      busy={isLoading}
      onAnswer={(answer) => void give({ bundleId: bundle.id, answer })}
    />
  );
}

/** The last exports of a school, and the way to hand over a newer one. */
export function Exports({ school: { id, name, bundles } }: { school: OwnSchool }) {
  const { t } = useTranslation();
  const [put, { data, isLoading, error }] = usePutExportMutation();
  return (
    <Stack space={0.5}>
      <View role="list" aria-label={name}>
        {bundles.slice(0, shown).map((bundle) => (
          <View key={bundle.id} role="listitem">
            <ExportLine bundle={bundle} />
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
        label={t(bundles.length > 0 ? 'own.exportAgain' : 'own.exportChoose')}
        hint={name}
        accept=".zip,application/zip"
        busy={isLoading}
        onFile={(file) => void put({ sourceId: id, file })}
      />
    </Stack>
  );
}
