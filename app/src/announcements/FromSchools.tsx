import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { useChildren } from '../household';
import { Heading, List, Loaded, Quiet, Row, styles, WayOn } from '../ui';
import { AnnouncementRow } from './AnnouncementRow';
import { useAnnouncementsQuery } from './api';
import { worthALook } from './asks';

/** So many stand on Talk itself. */
const most = 3;

/** What the schools ask and announce, as far as it is worth a look now; all of it is one tap away. */
export function FromSchools({ selected }: { selected?: string }) {
  const { t } = useTranslation();
  const query = useAnnouncementsQuery();
  const { shown } = useChildren();
  const ids = new Set(shown.map(({ id }) => id));
  return (
    <View>
      <Row wrap style={styles.apart}>
        <Heading level={2}>{t('talk.announcements')}</Heading>
        {query.data ? (
          <WayOn label={t('school.all', { count: query.data.announcements.length })} href="/talk/school" />
        ) : null}
      </Row>
      <Loaded query={query}>
        {({ announcements }) => {
          const now = worthALook(announcements, ids);
          return (
            <>
              {now.length === 0 ? <Quiet>{t('school.nothingNew')}</Quiet> : null}
              <List>
                {now.slice(0, most).map((each) => (
                  <AnnouncementRow key={each.id} brief announcement={each} selected={each.id === selected} />
                ))}
              </List>
            </>
          );
        }}
      </Loaded>
    </View>
  );
}
