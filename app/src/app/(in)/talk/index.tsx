import { useTranslation } from 'react-i18next';
import { Page, Quiet, useWide } from '../../../ui';
import { inTalk } from '../../../places';

const TalkList = inTalk((talk) => talk.TalkList);
const OnTheCalendar = inTalk((talk) => talk.OnTheCalendar);

export default function TalkStart() {
  const { t } = useTranslation();
  if (!useWide()) return <TalkList />;
  return (
    <Page sheet>
      <Quiet>{t('talk.pick')}</Quiet>
      <OnTheCalendar />
    </Page>
  );
}
