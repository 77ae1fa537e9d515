import { useTranslation } from 'react-i18next';
import { AlertList } from '../../../../alerts';
import { Page, Quiet, useWide } from '../../../../ui';

export default function AlertsStart() {
  const { t } = useTranslation();
  if (!useWide()) return <AlertList />;
  return (
    <Page sheet>
      <Quiet>{t('alerts.pick')}</Quiet>
    </Page>
  );
}
