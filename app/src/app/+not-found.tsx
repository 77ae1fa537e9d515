import { useTranslation } from 'react-i18next';
import { Page, WayOn, Words } from '../ui';

export default function NotFound() {
  const { t } = useTranslation();
  return (
    <Page>
      <Words>{t('state.notFound')}</Words>
      <WayOn label={t('places.brief')} href="/brief" />
    </Page>
  );
}
