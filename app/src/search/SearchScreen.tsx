import { useDeferredValue, useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Href } from 'expo-router';
import type { Found } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import { Field, Heading, List, Loaded, Page, RowLink, Words } from '../ui';
import { useSearchAllQuery } from './api';
import { useDayMeant } from './useDayMeant';

/** Where something that was found stands. */
function placeOf({ kind, id, studentId, courseId }: Found): string {
  switch (kind) {
    case 'course':
      return `/courses/${studentId}/${id}`;
    case 'assignment':
      return `/courses/${studentId}/${courseId}/${id}`;
    case 'comment':
      return `/courses/${studentId}/${courseId}${id === courseId ? '' : `/${id}`}`;
    case 'teacher':
      return `/talk/contacts/${id}?studentId=${studentId}`;
    case 'letter':
      return `/talk/threads/${id}`;
    case 'follow-up':
      return `/talk/follow-ups/${id}`;
    case 'meeting':
      return `/talk/meetings/${id}`;
    case 'note':
      return `/talk/notes?studentId=${studentId}`;
    case 'announcement':
      return `/talk/school/${id}`;
  }
}

function FoundRow({ found }: { found: Found }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const { kind, studentId, title, excerpt, at } = found;
  // A person or a course is of no day.
  const when = kind === 'course' || kind === 'teacher' ? [] : [format.date(at)];
  const context = [t(`search.kinds.${kind}`), nameOf(studentId), ...when].join(' · ');
  return (
    <RowLink href={placeOf(found) as Href} label={[title, context, ...(excerpt ? [excerpt] : [])].join('. ')}>
      <Words bold>{title}</Words>
      <Words size="small" colour="soft">
        {context}
      </Words>
      {excerpt ? <Words size="small">{excerpt}</Words> : null}
    </RowLink>
  );
}

/** The day that the words mean, on the calendar. */
function DayMeant({ words }: { words: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  const on = useDayMeant(words);
  if (!on) return null;
  const title = format.dayLong(on);
  return (
    <RowLink href={`/days?view=day&on=${on}`} label={`${title}. ${t('places.days')}`}>
      <Words bold>{title}</Words>
      <Words size="small" colour="soft">
        {t('places.days')}
      </Words>
    </RowLink>
  );
}

/** One search over the record, the days and everything that was said. */
export function SearchScreen() {
  const { t } = useTranslation();
  const [q, setQ] = useState('');
  const asked = useDeferredValue(q.trim());
  const query = useSearchAllQuery(asked, { skip: asked.length < 2 });
  const { shown } = useChildren();
  return (
    <Page>
      <Heading level={1}>{t('search.title')}</Heading>
      <Field
        first
        label={t('search.field')}
        hint={t('search.hint')}
        value={q}
        onChange={setQ}
        longest={100}
      />
      {asked.length < 2 ? null : (
        <Loaded query={query}>
          {({ found, more }) => {
            const own = found.filter(({ studentId }) => shown.some(({ id }) => id === studentId));
            return (
              <View>
                <Words live>{t('search.count', { count: own.length })}</Words>
                <DayMeant words={asked} />
                <List>
                  {own.map((each, at) => (
                    <FoundRow key={`${at}${each.id}`} found={each} />
                  ))}
                </List>
                {more ? <Words colour="soft">{t('search.more')}</Words> : null}
              </View>
            );
          }}
        </Loaded>
      )}
    </Page>
  );
}
