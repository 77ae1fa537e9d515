import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Child, Desk, WorkRow } from '@cadro/contract';
import { WhoseDevice } from '../device';
import { useFormat, useMeQuery, useSelf } from '../household';
import { useWorkQuery } from '../outlook/api';
import { usePlanQuery, useChangeTaskMutation } from '../plan/api';
import type { Format } from '../i18n';
import { Heading, List, Loaded, Page, Quietly, RowLink, Stack, TickLine, WayOn, Words } from '../ui';
import { useDeskQuery } from './api';
import { dueSoon, stillWorth } from './arrange';
import { Agreed } from './Agreed';
import { Tell } from './Tell';
import { Where } from './Where';

/** So many of what is due stand on the desk, the rest in Days; and so many of the teachers' words before one asks for more. */
const dueShown = 5;
const wordsShown = 3;

const hrefOf = ({ studentId, courseId, itemId }: WorkRow) =>
  `/courses/${studentId}/${courseId}/${itemId}` as const;

function Tonight({ child }: { child: Child }) {
  const { t } = useTranslation();
  const { data: plan } = usePlanQuery(child.id);
  const [change] = useChangeTaskMutation();
  const tasks = plan?.tasks.filter(({ evening }) => evening === plan.today) ?? [];
  if (tasks.length === 0) return null;
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('desk.tonight')}</Heading>
      {tasks.map(({ itemId, title, courseTitle, minutes, doneAt }) => (
        <TickLine
          key={itemId}
          label={[title, courseTitle, t('desk.minutes', { count: minutes })].join(' · ')}
          on={doneAt !== null}
          onChange={(done) => void change({ studentId: child.id, itemId, done })}
        />
      ))}
    </Stack>
  );
}

/** 'today, 23:59', 'tomorrow, 15:00', 'Fri 23 Oct, 15:00'. */
const whenDue = (format: Format, at: string): string =>
  format.daysBetween(format.today, at) <= 1
    ? `${format.relative(at)}, ${format.time(at)}`
    : format.dayTime(at);

function Due({ rows }: { rows: readonly WorkRow[] }) {
  const { t } = useTranslation();
  const format = useFormat();
  return (
    <Stack space={0}>
      <Heading level={2}>{t('desk.due')}</Heading>
      {rows.length === 0 ? <Words colour="soft">{t('desk.dueNone')}</Words> : null}
      <List label={t('desk.due')}>
        {rows.slice(0, dueShown).map((row) => (
          <RowLink
            key={row.itemId}
            href={hrefOf(row)}
            label={[row.title, row.courseTitle, ...(row.dueAt ? [whenDue(format, row.dueAt)] : [])].join(
              ', ',
            )}
          >
            <Words bold>{row.title}</Words>
            <Words size="small" colour="soft">
              {[row.courseTitle, ...(row.dueAt ? [whenDue(format, row.dueAt)] : [])].join(' · ')}
            </Words>
          </RowLink>
        ))}
      </List>
      {rows.length > dueShown ? (
        <WayOn label={t('desk.more', { count: rows.length - dueShown })} href="/days" />
      ) : null}
    </Stack>
  );
}

function useWorth(): (row: WorkRow) => string {
  const { t } = useTranslation();
  const format = useFormat();
  return ({ gain, outOf, deadline, courseTitle }) => {
    const brings =
      gain === null || gain < 0.005
        ? []
        : outOf <= 10
          ? [t('desk.bringsOf', { gain: format.amount(gain), outOf })]
          : [t('desk.brings', { gain: format.amount(gain) })];
    const until = deadline ? [t('desk.until', { date: format.day(deadline) })] : [];
    return [courseTitle, ...until, ...brings].join(' · ');
  };
}

/** What is open and can still be done, what brings most first; each with where the child says it is. */
function StillOpen({ rows }: { rows: readonly WorkRow[] }) {
  const { t } = useTranslation();
  const worth = useWorth();
  return (
    <Stack>
      <Heading level={2}>{t('desk.open')}</Heading>
      {rows.length === 0 ? <Words colour="soft">{t('desk.openNone')}</Words> : null}
      <View role="list" aria-label={t('desk.open')}>
        {rows.map((row) => (
          <View key={row.itemId} role="listitem">
            <RowLink href={hrefOf(row)} label={`${row.title}, ${worth(row)}`} bare>
              <Words bold>{row.title}</Words>
              <Words size="small" colour="soft">
                {worth(row)}
              </Words>
            </RowLink>
            <Where row={row} />
          </View>
        ))}
      </View>
    </Stack>
  );
}

function Teachers({ desk }: { desk: Desk }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [all, setAll] = useState(false);
  const shown = all ? desk.teachers : desk.teachers.slice(0, wordsShown);
  const more = desk.teachers.length - shown.length;
  return (
    <Stack>
      <Heading level={2}>{t('desk.teachers')}</Heading>
      {desk.teachers.length === 0 ? <Words colour="soft">{t('desk.teachersNone')}</Words> : null}
      <List label={t('desk.teachers')}>
        {shown.map((word) => (
          <Stack key={word.commentId} space={0.25}>
            {word.itemTitle ? <Words bold>{word.itemTitle}</Words> : null}
            <Words>{t('matter.quote', { text: word.text })}</Words>
            <Words size="small" colour="soft">
              {t('desk.signed', {
                author: word.author,
                course: word.courseTitle,
                date: format.day(word.writtenAt),
              })}
            </Words>
            <Tell
              desk={desk}
              about={{ commentId: word.commentId }}
              hint={word.itemTitle ?? word.courseTitle}
            />
          </Stack>
        ))}
      </List>
      {more > 0 ? (
        <Quietly label={t('desk.teachersMore', { count: more })} onPress={() => setAll(true)} />
      ) : null}
    </Stack>
  );
}

function Content({ child, desk, rows }: { child: Child; desk: Desk; rows: readonly WorkRow[] }) {
  const { t } = useTranslation();
  const format = useFormat();
  const now = useMeQuery().data?.now ?? '';
  const due = dueSoon(rows);
  const byTomorrow = due.filter(({ dueAt }) => dueAt !== null && format.daysBetween(now, dueAt) <= 1);
  return (
    <Page>
      <Stack space={0.25}>
        <Heading level={1}>{t('desk.title', { count: byTomorrow.length })}</Heading>
        <Words colour="soft">{format.dayLong(now)}</Words>
      </Stack>
      <Agreed desk={desk} />
      {desk.shares.evenings ? <Tonight child={child} /> : null}
      <Due rows={due} />
      <StillOpen rows={stillWorth(rows)} />
      <Teachers desk={desk} />
      <WayOn label={t('desk.to.shared')} href="/desk/shared" />
      <WhoseDevice />
    </Page>
  );
}

/** The child's own evening: what is planned, what is due, what is still worth doing, what teachers wrote. */
export function DeskScreen() {
  const self = useSelf();
  const desk = useDeskQuery(self?.id ?? '', { skip: !self });
  const work = useWorkQuery();
  if (!self) return null;
  return (
    <Loaded query={desk}>
      {(own) => <Loaded query={work}>{({ rows }) => <Content child={self} desk={own} rows={rows} />}</Loaded>}
    </Loaded>
  );
}
