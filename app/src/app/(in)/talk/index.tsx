import { useTranslation } from 'react-i18next';
import { TalkList } from '../../../messages';
import { Page, Quiet, useWide } from '../../../ui';

export default function TalkStart() {
  const { t } = useTranslation();
  if (!useWide()) return <TalkList />;
  return (
    <Page sheet>
      <Quiet>{t('talk.pick')}</Quiet>
    </Page>
  );
}
