import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { useChildren } from '../household';
import { BackLink, Choice, Heading, List, Loaded, Page, Quiet } from '../ui';
import { AnnouncementRow } from './AnnouncementRow';
import { useAnnouncementsQuery } from './api';
import { onShelf, shelves, type Shelf } from './asks';

/** Everything the schools have announced: here, kept, or put away. */
export function SchoolScreen() {
  const { t } = useTranslation();
  const query = useAnnouncementsQuery();
  const { shown } = useChildren();
  const [shelf, setShelf] = useState<Shelf>('here');
  const ids = new Set(shown.map(({ id }) => id));
  return (
    <Loaded query={query}>
      {({ announcements }) => {
        const found = announcements.filter(
          (each) => onShelf(shelf, each) && each.studentIds.some((id) => ids.has(id)),
        );
        return (
          <Page sheet>
            <BackLink href="/talk" label={t('places.talk')} />
            <Heading level={1}>{t('talk.announcements')}</Heading>
            <Choice
              label={t('school.shelf')}
              options={shelves.map((each) => ({ value: each, label: t(`school.shelves.${each}`) }))}
              value={shelf}
              onChange={setShelf}
            />
            <View>
              {found.length === 0 ? <Quiet>{t(`school.empty.${shelf}`)}</Quiet> : null}
              <List>
                {found.map((each) => (
                  <AnnouncementRow key={each.id} announcement={each} selected={false} />
                ))}
              </List>
            </View>
          </Page>
        );
      }}
    </Loaded>
  );
}
