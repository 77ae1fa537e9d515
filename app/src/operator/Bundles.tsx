import { useTranslation } from 'react-i18next';
import type { OperatorSource } from '@cadro/contract';
import { BundleList } from '../sources';
import { useAnswerBundleMutation, usePutBundleMutation } from './api';
import { useOperatorFormat } from './useOperatorFormat';

/** The files of a school that hands some over, and the way to hand over another. */
export function Bundles({ source: { id, name, bundles } }: { source: OperatorSource }) {
  const { t } = useTranslation();
  const format = useOperatorFormat();
  const [put, handing] = usePutBundleMutation();
  const [give, answering] = useAnswerBundleMutation();
  return (
    <BundleList
      {...{ name, bundles, format, handing, answering }}
      pick={t('operator.upload')}
      onAnswer={(bundleId, answer) => void give({ bundleId, answer })}
      onFile={(file) => void put({ sourceId: id, file })}
    />
  );
}
