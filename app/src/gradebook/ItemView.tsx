import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { ItemDetail } from '@cadro/contract';
import { useChildren, useFormat, useMeQuery } from '../household';
import {
  BackLink,
  Heading,
  LinkAction,
  Loaded,
  OutLink,
  Page,
  Quiet,
  Row,
  Span,
  Stack,
  useWide,
  WayOn,
  Words,
} from '../ui';
import { useItemQuery } from './api';
import { Comments } from './Comments';
import { OwnWord, TwoSources } from './ItemSources';
import { State } from './ItemState';
import { ItemStory } from './ItemStory';
import { effectSentences, gainSentence, lateLoss } from './itemWords';
import { ThreeFigures } from './ThreeFigures';
import { spanWords, worthWords } from './words';

/** Where it counts and how, what lateness does to it. */
function Counting({ item }: { item: ItemDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const parts = [
    t('item.handling', { category: item.categoryTitle || t('course.uncategorized') }),
    ...(item.looseEnd ? [worthWords(t, format, item, item.scale)].filter(Boolean) : []),
    ...(item.multiplier === 1 ? [] : [t('item.times', { times: format.amount(item.multiplier) })]),
    ...(item.counts ? [] : [t('item.notCounting')]),
    ...(item.extraCredit ? [t('item.extra')] : []),
    ...(item.unit ? [t('item.unit', { unit: item.unit })] : []),
  ];
  return [parts.join(' · '), ...lateLoss(t, format, item)].map((words) => (
    <Words key={words} size="small" colour="soft">
      {words}
    </Words>
  ));
}

/** What it is worth to the course's figure, now and if made up. */
function Effect({ item }: { item: ItemDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { looseEnd, figures, grade, scale } = item;
  const gain = item.looseEnd?.recoverable ? gainSentence(t, format, item) : null;
  const sentences = [...(gain ? [gain] : []), ...effectSentences(t, format, item)];
  if (sentences.length === 0 || !figures || figures.posted === null) return null;
  return (
    <Stack>
      <Heading level={2}>{t('item.effect')}</Heading>
      {looseEnd ? (
        <>
          <Span large figures={figures} grade={grade} scale={scale} label={spanWords(t, format, item)} />
          <ThreeFigures figures={figures} grade={grade} scale={scale} />
        </>
      ) : null}
      {sentences.map((sentence) => (
        <Words key={sentence}>{sentence}</Words>
      ))}
    </Stack>
  );
}

/** Each time it was handed in, with what was attached. */
function HandedIn({ item: { tries } }: { item: ItemDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  if (tries.length === 0) return null;
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('item.tries')}</Heading>
      {tries.map(({ at, files }, place) => (
        <View key={at}>
          <Words bold={place === 0}>
            {t('item.try', { number: tries.length - place, when: format.dayTime(at), count: tries.length })}
          </Words>
          <Words size="small" colour="soft">
            {files.length === 0 ? t('item.nothingAttached') : format.list(files)}
          </Words>
        </View>
      ))}
    </Stack>
  );
}

/** Rubric and standards: what was reached, and what the next level would show. */
function Judged({ item }: { item: ItemDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  if (item.rubric.length === 0 && item.standards.length === 0) return null;
  return (
    <Stack>
      <Heading level={2}>{t('item.judged')}</Heading>
      {item.rubric.map(({ id, title, levels, reached }) => {
        const now = levels.find(({ level }) => level === reached)?.text;
        const next = levels.find(({ level }) => level > (reached ?? -Infinity));
        return (
          <View key={id}>
            <Words bold>{title}</Words>
            <Words size="small">
              {reached === null
                ? t('item.notJudged')
                : t('item.reached', { level: format.amount(reached), text: now ?? '' })}
            </Words>
            {next ? (
              <Words size="small" colour="teal">
                {t(reached === null ? 'item.firstLevel' : 'course.nextLevel', {
                  level: format.amount(next.level),
                  text: next.text,
                })}
              </Words>
            ) : null}
          </View>
        );
      })}
      {item.standards.map(({ id, title, level }) => (
        <View key={id}>
          <Words bold>{title}</Words>
          <Words size="small">
            {level === null ? t('course.notAssessed') : t('course.level', { level: format.amount(level) })}
          </Words>
        </View>
      ))}
    </Stack>
  );
}

function About({ item }: { item: ItemDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const small = [
    ...(item.where ? [t('item.where', { where: item.where })] : []),
    ...(item.supplies.length > 0 ? [t('item.supplies', { list: format.list(item.supplies) })] : []),
    ...(item.redo ? [t(`item.redo.${item.redo}`)] : []),
  ];
  if (!item.instructions && small.length === 0 && item.files.length === 0) return null;
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('item.instructions')}</Heading>
      {item.instructions ? <Words>{item.instructions}</Words> : null}
      {small.map((words) => (
        <Words key={words} size="small" colour="soft">
          {words}
        </Words>
      ))}
      {item.files.map(({ title, href }) => (
        <OutLink key={href} label={title} href={href} />
      ))}
    </Stack>
  );
}

function Next({ item }: { item: ItemDetail }) {
  const { t } = useTranslation();
  const { nameOf, mayTalk } = useChildren();
  const now = useMeQuery().data?.now ?? '';
  const wide = useWide();
  const { studentId, id: courseId, teacher } = item.course;
  if (!mayTalk(studentId)) return null;
  const take = `/talk/new?studentId=${studentId}&courseId=${courseId}&itemId=${item.id}`;
  const child = nameOf(studentId);
  return (
    <Stack>
      {wide ? <Heading level={2}>{t('item.next')}</Heading> : null}
      <Row wrap space={2}>
        {item.followUpId ? (
          <LinkAction main label={t('item.inHand')} href={`/talk/follow-ups/${item.followUpId}`} />
        ) : (
          <LinkAction main label={t('matter.talk', { child })} href={take} />
        )}
        {teacher?.contactable && !item.followUpId ? (
          <WayOn
            label={t('item.write', { teacher: teacher.name })}
            href={`/talk/write?studentId=${studentId}&itemId=${item.id}`}
          />
        ) : null}
        {item.dueAt && item.dueAt > now ? (
          <WayOn
            label={t('calendar.remind')}
            href={`/days/entries/new?studentId=${studentId}&itemId=${item.id}`}
          />
        ) : null}
      </Row>
      {wide ? (
        <Words size="small" colour="soft">
          {t('item.writeHint', { child })}
        </Words>
      ) : null}
    </Stack>
  );
}

/** On a phone the way back says whose it is and of which course. */
function Title({ item }: { item: ItemDetail }) {
  const { nameOf } = useChildren();
  const wide = useWide();
  const { studentId, title, teacher } = item.course;
  if (!wide) return <Heading level={1}>{item.title}</Heading>;
  return (
    <Stack space={0.5}>
      <Words size="small" colour="soft">
        {[nameOf(studentId), title, ...(teacher ? [teacher.name] : [])].join(' · ')}
      </Words>
      <Heading level={1}>{item.title}</Heading>
    </Stack>
  );
}

/** One assignment: how it stands, its story, the teacher's words, what it asks for, what comes next. */
export function ItemView({
  studentId,
  courseId,
  itemId,
  own,
}: {
  studentId: string;
  courseId: string;
  itemId: string;
  /** What the child itself says of it. */
  own?: ReactNode;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const query = useItemQuery({ studentId, itemId });
  const { nameOf } = useChildren();
  return (
    <Loaded query={query}>
      {(item) => (
        <Page sheet>
          <BackLink
            href={`/courses/${studentId}/${courseId}`}
            label={`${nameOf(studentId)} · ${item.course.title}`}
          />
          <Title item={item} />
          <State item={item} />
          <TwoSources item={item} />
          {own}
          <Next item={item} />
          <Stack>
            <Heading level={2}>{t('item.words')}</Heading>
            <Comments
              studentId={item.course.studentId}
              comments={item.comments}
              told={item.looseEnd?.recoverable === true && item.looseEnd.deadline !== null}
              none={<Quiet>{t('item.noWords')}</Quiet>}
            />
          </Stack>
          <OwnWord item={item} />
          <ItemStory item={item} />
          <Effect item={item} />
          <HandedIn item={item} />
          <Judged item={item} />
          <About item={item} />
          <Counting item={item} />
          <Words size="small" colour="soft">
            {t('course.source', {
              source: item.freshness.sourceName,
              when: item.freshness.readAt ? format.dayTime(item.freshness.readAt) : '',
            })}
          </Words>
        </Page>
      )}
    </Loaded>
  );
}
