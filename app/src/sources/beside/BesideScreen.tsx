import { useTranslation } from 'react-i18next';
import type { BesideRecord, LaidWorks, PairedWorks, WorkTold } from '@cadro/contract';
import { Trouble, useChildren, useFormat } from '../../household';
import {
  Action,
  BackLink,
  Choice,
  Heading,
  LinkAction,
  List,
  Loaded,
  Page,
  Quiet,
  Quietly,
  Row,
  Stack,
  styles,
  WayOn,
  Words,
} from '../../ui';
import { useBesideQuery, useOwnRecordQuery, usePutLeadMutation, usePutPairMutation } from '../api';
import { scoreWords } from '../own/RowLine';
import { Others } from './Others';

interface Of {
  readonly studentId: string;
}

/** How a work stands by one account, in a few words. */
function useTold() {
  const { t } = useTranslation();
  const format = useFormat();
  return ({ dueOn, status, earned, possible }: WorkTold, bySchool = false): string =>
    [
      dueOn ? t('own.dueOn', { date: format.day(dueOn) }) : t('own.undated'),
      ...(status === 'scored' && earned !== null
        ? []
        : [bySchool && status === 'open' ? t('beside.noScore') : t(`own.status.${status}`)]),
      scoreWords(t, format, { ...{ status, earned, possible, dueOn, title: '', category: null }, ...unsaid }),
    ].join(', ');
}
const unsaid = { percent: null, letter: null, comment: null };

/** The two accounts of one assignment, under each other. */
function Both({ pair: { own, theirs } }: { pair: PairedWorks }) {
  const { t } = useTranslation();
  const told = useTold();
  return (
    <>
      <Words size="small">{t('beside.here', { title: own.title, told: told(own) })}</Words>
      <Words size="small">{t('beside.there', { title: theirs.title, told: told(theirs, true) })}</Words>
    </>
  );
}

/** Asks whether two entries are one assignment. */
function Ask({ studentId, pair, course }: Of & { pair: PairedWorks; course: string }) {
  const { t } = useTranslation();
  const [say, { isLoading, error }] = usePutPairMutation();
  const { ownId, itemId, own } = pair;
  const answer = (same: boolean) => void say({ studentId, body: { ownId, itemId, same } });
  return (
    <Stack space={0.5} style={styles.around10}>
      <Words bold>{t('beside.ask', { course })}</Words>
      <Both pair={pair} />
      <Trouble error={error} />
      <Row wrap>
        <Action
          main
          label={t('beside.same')}
          hint={own.title}
          busy={isLoading}
          onPress={() => answer(true)}
        />
        <Quietly label={t('beside.two')} hint={own.title} onPress={() => answer(false)} />
      </Row>
    </Stack>
  );
}

/** An assignment that two tell of differently: how, probably why, and whose word counts. */
function Difference({ studentId, laid, course }: Of & { laid: LaidWorks; course: string }) {
  const { t } = useTranslation();
  const [say, { error }] = usePutPairMutation();
  const [put, leading] = usePutLeadMutation();
  const { ownId, itemId, own, theirs, stands, differences, courseId } = laid;
  const bothJudged = own.status !== 'open' && theirs.status !== 'open';
  const turn = () =>
    void put({ studentId, body: { courseId, ownId, lead: stands ? ('school' as const) : ('own' as const) } });
  return (
    <Stack space={0.25} style={styles.around10}>
      <WayOn label={`${theirs.title}, ${course}`} href={`/courses/${studentId}/${courseId}/${itemId}`} />
      <Both pair={laid} />
      {differences.map(({ what, reason }) => (
        <Words key={what} size="small" colour="soft">
          {t(`beside.reason.${reason}`)}
        </Words>
      ))}
      <Words size="small">{t(stands ? 'beside.countsOurs' : 'beside.countsTheirs')}</Words>
      <Trouble error={error ?? leading.error} />
      {bothJudged ? (
        <Quietly
          label={t(stands ? 'beside.countTheirs' : 'beside.countOurs')}
          hint={theirs.title}
          onPress={turn}
        />
      ) : null}
      <Quietly
        label={t('beside.apart')}
        hint={theirs.title}
        onPress={() => void say({ studentId, body: { ownId, itemId, same: false } })}
      />
    </Stack>
  );
}

/** A course in which the family has something of its own, and whose word goes first in it. */
function Course({ studentId, course }: Of & { course: BesideRecord['courses'][number] }) {
  const { t } = useTranslation();
  const [put, { error }] = usePutLeadMutation();
  const { id, title, own, lead, works, shared } = course;
  return (
    <Stack space={0.5} style={styles.around10}>
      <WayOn label={title} href={`/courses/${studentId}/${id}`} />
      <Words size="small" colour="soft">
        {[
          ...(own ? [t('beside.ownCourse')] : []),
          t('beside.works', { count: works }),
          ...(shared > 0 ? [t('beside.shared', { count: shared })] : []),
        ].join(' · ')}
      </Words>
      <Trouble error={error} />
      {own ? null : (
        <Choice
          titled
          label={t('beside.lead')}
          options={[
            { value: 'school', label: t('beside.leads.school') },
            { value: 'own', label: t('beside.leads.own') },
          ]}
          value={lead}
          onChange={(next) => void put({ studentId, body: { courseId: id, lead: next } })}
        />
      )}
    </Stack>
  );
}

function Told({ studentId, beside }: Of & { beside: BesideRecord }) {
  const { t } = useTranslation();
  const { data: record } = useOwnRecordQuery(studentId);
  const titleOf = (id: string): string =>
    beside.courses.find((course) => course.id === id)?.title ??
    record?.courses.find((course) => course.id === id)?.title ??
    '';
  const differing = beside.laid.filter(({ differences }) => differences.length > 0);
  return (
    <>
      {beside.asks.length > 0 ? (
        <Stack space={0.5}>
          <Heading level={2}>{t('beside.asks', { count: beside.asks.length })}</Heading>
          {beside.asks.map((pair) => (
            <Ask key={pair.ownId} {...{ studentId, pair }} course={titleOf(pair.courseId)} />
          ))}
        </Stack>
      ) : null}
      {differing.length > 0 ? (
        <Stack space={0.5}>
          <Heading level={2}>{t('beside.differ', { count: differing.length })}</Heading>
          <List label={t('beside.differ', { count: differing.length })}>
            {differing.map((laid) => (
              <Difference key={laid.ownId} {...{ studentId, laid }} course={titleOf(laid.courseId)} />
            ))}
          </List>
        </Stack>
      ) : null}
      {beside.courses.length > 0 ? (
        <Stack space={0.5}>
          <Heading level={2}>{t('beside.courses')}</Heading>
          {beside.courses.map((course) => (
            <Course key={course.id} {...{ studentId, course }} />
          ))}
        </Stack>
      ) : (
        <Quiet>{t('beside.nothing')}</Quiet>
      )}
    </>
  );
}

/** What a family has beside the school's record of a child: what is asked, where the two differ, whose word counts. */
export function BesideScreen({ studentId }: Of) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const name = nameOf(studentId);
  const query = useBesideQuery(studentId);
  return (
    <Loaded query={query}>
      {(beside) => (
        <Page>
          <BackLink href="/settings/sources" label={t('sources.title')} />
          <Heading level={1}>{t('beside.title', { name })}</Heading>
          <Words colour="soft">{t('beside.intro', { name })}</Words>
          <Others {...{ studentId, beside }} />
          <Told {...{ studentId, beside }} />
          <Row wrap space={2}>
            <LinkAction label={t('own.addCourseLink')} href={`/courses/${studentId}/new`} />
            <WayOn label={t('own.tableLink')} href={`/courses/${studentId}/table`} />
          </Row>
        </Page>
      )}
    </Loaded>
  );
}
