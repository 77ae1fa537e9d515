import { useLocalSearchParams } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { News, NewsDay, NewsLine } from '@cadro/contract';
import { daysAfter, isDate } from '@cadro/core';
import { useChildren, useFormat } from '../household';
import {
  BackLink,
  Heading,
  List,
  Loaded,
  Page,
  Quiet,
  Row,
  RowLink,
  Stack,
  styles,
  WayOn,
  Words,
} from '../ui';
import { useLookedAtNewsMutation, useNewsQuery } from './api';
import { newsHref, newsRows, newsText, severalText } from './newsWords';

/** The children a line is about, of those whose records are shown. */
const whoseOf = (line: NewsLine): readonly string[] =>
  'studentId' in line ? [line.studentId] : line.studentIds;

function NewsRow({ lines: [line, ...others] }: { lines: readonly [NewsLine, ...NewsLine[]] }) {
  const { t } = useTranslation();
  const format = useFormat();
  const several = others.length > 0;
  const { what, said, score } = several
    ? { ...severalText(t, format, [line, ...others]), score: null }
    : newsText(t, format, line);
  const context = [...('courseTitle' in line && !several ? [line.courseTitle] : []), said]
    .filter(Boolean)
    .join(' · ');
  return (
    <RowLink
      href={several ? '/work' : newsHref(line)}
      label={[what, ...(score ? [score] : []), context].join('. ')}
    >
      <Row style={styles.apartBase}>
        <View style={styles.shrink}>
          <Words lines={3}>{what}</Words>
        </View>
        {score ? <Words bold>{score}</Words> : null}
      </Row>
      <Words size="small" colour="soft">
        {context}
      </Words>
    </RowLink>
  );
}

/** The lines of a day, child by child where there are several; what is for all of them comes last. */
function Day({ on, lines }: NewsDay) {
  const format = useFormat();
  const { t } = useTranslation();
  const { nameOf, shown } = useChildren();
  const own = shown.map(({ id }) => ({
    key: id,
    title: nameOf(id),
    lines: lines.filter((line) => 'studentId' in line && line.studentId === id),
  }));
  const all = { key: 'all', title: t('news.forAll'), lines: lines.filter((line) => !('studentId' in line)) };
  return (
    <Stack space={1}>
      <Heading level={2}>{format.dayLong(on)}</Heading>
      {[...own, all]
        .filter((group) => group.lines.length > 0)
        .map((group) => (
          <View key={group.key}>
            {shown.length > 1 ? <Heading level={3}>{group.title}</Heading> : null}
            <List>
              {newsRows(group.lines).map((row, index) => (
                <NewsRow key={index} lines={row} />
              ))}
            </List>
          </View>
        ))}
    </Stack>
  );
}

function Days({ days, none }: { days: readonly NewsDay[]; none: string }) {
  const { shown } = useChildren();
  const ids = new Set(shown.map(({ id }) => id));
  const own = days
    .map(({ on, lines }) => ({ on, lines: lines.filter((line) => whoseOf(line).some((id) => ids.has(id))) }))
    .filter(({ lines }) => lines.length > 0);
  if (own.length === 0) return <Quiet>{none}</Quiet>;
  return (
    <Stack space={2}>
      {own.map((day) => (
        <Day key={day.on} {...day} />
      ))}
    </Stack>
  );
}

/** Since when it is new, or which week is looked at. */
function NewsTitle({ news: { week, since, looked } }: { news: News }) {
  const { t } = useTranslation();
  const format = useFormat();
  if (week)
    return (
      <Stack space={0.25}>
        <Heading level={1}>{t('news.week', { span: format.span(week, daysAfter(week, 6)) })}</Heading>
        <WayOn label={t('news.now')} href="/brief/new" />
      </Stack>
    );
  return (
    <Stack space={0.25}>
      <Heading level={1}>{t('news.title')}</Heading>
      <Words colour="soft">
        {looked ? t('news.since', { when: format.recent(since) }) : t('news.first')}
      </Words>
    </Stack>
  );
}

function NewsList({ news }: { news: News }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { week } = news;
  const monday = week ?? format.thisMonday;
  const back = daysAfter(monday, -7);
  const on = daysAfter(monday, 7);
  return (
    <Page>
      <BackLink label={t('places.brief')} href="/brief" />
      <NewsTitle news={news} />
      <Days days={news.fresh} none={week ? t('news.quietWeek') : t('news.quiet')} />
      <Stack>
        <Heading level={2}>{week ? t('news.before') : t('news.earlier')}</Heading>
        <Days days={news.earlier} none={t('news.nothingEarlier')} />
      </Stack>
      <Row wrap space={2}>
        <WayOn
          label={t('news.week', { span: format.span(back, daysAfter(back, 6)) })}
          href={`/brief/new?week=${back}`}
        />
        {week && on <= format.today ? (
          <WayOn
            label={t('news.week', { span: format.span(on, daysAfter(on, 6)) })}
            href={`/brief/new?week=${on}`}
          />
        ) : null}
      </Row>
    </Page>
  );
}

/** What came since this guardian last looked, over all children; or in a week one looks back at. */
export function NewsScreen() {
  const { week } = useLocalSearchParams<{ week?: string }>();
  const asked = week && isDate(week) ? { week } : {};
  const query = useNewsQuery(asked);
  const [looked] = useLookedAtNewsMutation();
  const seen = query.data && query.data.week === null ? query.data.asOf : null;
  useEffect(() => {
    if (seen) void looked({ upTo: seen });
  }, [seen, looked]);
  return <Loaded query={query}>{(news) => <NewsList news={news} />}</Loaded>;
}
