import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { OpenWork, Work } from '@cadro/contract';
import { creditWords } from '../gradebook';
import { useChildren } from '../household';
import { useFormat } from '../i18n';
import {
  Frame,
  frameOf,
  Heading,
  Loaded,
  Page,
  Panes,
  Quiet,
  Row,
  RowLink,
  useWide,
  Words,
  type FrameKind,
} from '../ui';
import { useWorkQuery } from './api';
import { ComingList } from './ComingList';

const frames: Record<OpenWork['kind'], FrameKind> = {
  missing: 'missing',
  incomplete: 'incomplete',
  overdue: 'overdue',
  unmarked: 'handed-in',
  zero: frameOf('scored', 'zero'),
  'at-floor': frameOf('scored', 'at-floor'),
};

function WorkEnd({ end }: { end: OpenWork }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const waiting = end.kind === 'unmarked';
  const until = waiting
    ? t('work.waiting')
    : end.recoverable && end.deadline
      ? t('work.until', { date: format.day(end.deadline), credit: creditWords(t, format, end.credit ?? 1) })
      : t('work.tooLate');
  const state = t(`item.states.${end.kind}`);
  // A gain that would be shown as 0 is none.
  const gain = end.impact !== null && end.impact >= 0.005 ? `+${format.amount(end.impact)}` : '';
  const unit = end.outOf <= 10 ? t('work.of', { outOf: end.outOf }) : t('work.points');
  const context = `${nameOf(end.studentId)} · ${end.courseTitle}`;
  return (
    <RowLink
      href={`/courses/${end.studentId}/${end.courseId}/${end.itemId}`}
      label={`${end.title}. ${context}. ${state}. ${until}. ${gain ? `${gain} ${unit}` : ''}`}
    >
      <Row space={1.5} style={{ alignItems: 'flex-start' }}>
        <View style={{ paddingTop: 2 }}>
          <Frame kind={frames[end.kind]} needsYou={!waiting} />
        </View>
        <View style={{ flex: 1 }}>
          <Words size="matter" bold>
            {end.title}
          </Words>
          <Words size="small" colour="soft">
            {context}
          </Words>
          <Words size="small" colour={waiting ? 'soft' : 'plum'}>
            {state}
          </Words>
          <Words size="small">{[until, ...(end.followUpId ? [t('work.inHand')] : [])].join(' · ')}</Words>
        </View>
        {gain ? (
          <View style={{ alignItems: 'flex-end' }}>
            <Words size="matter" bold colour="teal">
              {gain}
            </Words>
            <Words size="small" colour="soft">
              {unit}
            </Words>
          </View>
        ) : null}
      </Row>
    </RowLink>
  );
}

function Coming({ work }: { work: Work }) {
  const { t } = useTranslation();
  return (
    <View style={{ gap: 12 }}>
      <Heading level={2}>{t('work.coming')}</Heading>
      {work.coming.length === 0 ? (
        <Quiet>{t('work.nothingComing')}</Quiet>
      ) : (
        <ComingList days={work.coming} most={99} />
      )}
    </View>
  );
}

/** What is still open, and what first? */
export function WorkScreen() {
  const { t } = useTranslation();
  const wide = useWide();
  const query = useWorkQuery();
  const { shown } = useChildren();
  return (
    <Loaded query={query}>
      {(whole) => {
        const ids = new Set(shown.map(({ id }) => id));
        const work: Work = {
          ...whole,
          looseEnds: whole.looseEnds.filter(({ studentId }) => ids.has(studentId)),
          coming: whole.coming
            .map(({ on, items }) => ({ on, items: items.filter(({ studentId }) => ids.has(studentId)) }))
            .filter(({ items }) => items.length > 0),
        };
        const mendable = work.looseEnds.filter(({ recoverable }) => recoverable).length;
        const list = (
          <Page>
            <Heading level={1}>{t('work.title')}</Heading>
            <Words colour="soft">{t('work.sub', { count: work.looseEnds.length, mendable })}</Words>
            {work.looseEnds.length > 0 ? (
              <Words size="small" colour="soft">
                {t('work.order')}
              </Words>
            ) : (
              <Quiet>{t('work.nothing')}</Quiet>
            )}
            <View>
              {work.looseEnds.map((end) => (
                <WorkEnd key={`${end.studentId}:${end.itemId}`} end={end} />
              ))}
            </View>
            {wide ? null : <Coming work={work} />}
          </Page>
        );
        return wide ? (
          <Panes
            list={list}
            detail={
              <Page sheet>
                <Coming work={work} />
              </Page>
            }
          />
        ) : (
          list
        );
      }}
    </Loaded>
  );
}
