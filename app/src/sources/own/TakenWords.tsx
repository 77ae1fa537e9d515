import { useTranslation } from 'react-i18next';
import type { OwnTaken } from '@cadro/contract';
import { useFormat } from '../../household';
import { Stack, WayOn, Words } from '../../ui';

/** What rows have left open: points that were not stated, a category without a share. */
export function TakenWords({ taken, way }: { taken: OwnTaken; way: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { guessed, lettered, shareless } = taken;
  return (
    <>
      {guessed > 0 ? <Words size="small">{t('own.guessed', { count: guessed })}</Words> : null}
      {lettered > 0 ? <Words size="small">{t('own.lettered', { count: lettered })}</Words> : null}
      {shareless.length > 0 ? (
        <Stack space={0}>
          <Words size="small" colour="plum">
            {t('own.shareless', { names: format.list(shareless), count: shareless.length })}
          </Words>
          <WayOn label={t('own.giveShare')} href={way as '/courses'} />
        </Stack>
      ) : null}
    </>
  );
}
