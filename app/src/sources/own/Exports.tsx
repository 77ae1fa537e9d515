import { useEffect } from 'react';
import { useTranslation } from 'react-i18next';
import type { Bundle, OwnSchool } from '@cadro/contract';
import { useFormat } from '../../household';
import { api, useAppDispatch } from '../../store';
import { useAnswerExportMutation, useOwnSchoolsQuery, usePutExportMutation } from '../api';
import { BundleList } from '../BundleList';

/** While a file is being read, it is looked after this often. */
const pollMs = 2_000;
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

/** The last exports of a school, and the way to hand over a newer one. */
export function Exports({ school: { id, name, bundles } }: { school: OwnSchool }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [put, handing] = usePutExportMutation();
  const [give, answering] = useAnswerExportMutation();
  return (
    <BundleList
      {...{ name, bundles, format, handing, answering }}
      pick={t(bundles.length > 0 ? 'own.exportAgain' : 'own.exportChoose')}
      onAnswer={(bundleId, answer) => void give({ bundleId, answer })}
      onFile={(file) => void put({ sourceId: id, file })}
    />
  );
}
