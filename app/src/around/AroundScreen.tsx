import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { AroundChild, Balance, Ride } from '@cadro/contract';
import { useChildren, useFormat, useSelf } from '../household';
import { weekdayNames } from '../i18n';
import { BackLink, Heading, Loaded, Page, Quiet, Stack, WayOn, Words } from '../ui';
import { useAroundQuery } from './api';

function Money({ balances }: { balances: readonly Balance[] }) {
  const { t } = useTranslation();
  const format = useFormat();
  return (
    <>
      {balances.map(({ id, kind, title, amount, currency, dueOn, asOf }) => {
        const money = format.money(amount, currency);
        const said =
          kind === 'account' ? t('around.left', { title, money }) : t('around.toPay', { title, money });
        const when = dueOn
          ? t('around.dueOn', { day: format.day(dueOn) })
          : t('around.asOf', { day: format.day(asOf) });
        return <Words key={id}>{`${said} · ${when}`}</Words>;
      })}
    </>
  );
}

/** The days on which one rides: 'Monday to Friday', or each by its name. */
function useDays(): (weekdays: readonly number[]) => string {
  const { t, i18n } = useTranslation();
  const format = useFormat();
  const names = weekdayNames(i18n.language);
  return (weekdays) => {
    const sorted = [...weekdays].sort((a, b) => a - b);
    const [first, last] = [sorted[0] ?? 1, sorted.at(-1) ?? 1];
    const isRun = sorted.length > 2 && last - first === sorted.length - 1;
    if (isRun) return t('around.days', { from: names[first - 1] ?? '', to: names[last - 1] ?? '' });
    return format.list(sorted.map((day) => names[day - 1] ?? ''));
  };
}

function Rides({ rides }: { rides: readonly Ride[] }) {
  const { t } = useTranslation();
  const format = useFormat();
  const days = useDays();
  return (
    <>
      {rides.map(({ id, title, stop, weekdays, toSchoolAt, homeAt, note }) => (
        <Stack key={id} space={0.25}>
          <Words>
            {[title, ...(stop ? [stop] : []), ...(weekdays.length > 0 ? [days(weekdays)] : [])].join(' · ')}
          </Words>
          <Words size="small" colour="soft">
            {[
              ...(toSchoolAt ? [t('around.toSchool', { time: format.clock(toSchoolAt) })] : []),
              ...(homeAt ? [t('around.home', { time: format.clock(homeAt) })] : []),
              ...(note ? [note] : []),
            ].join(' · ')}
          </Words>
        </Stack>
      ))}
    </>
  );
}

function AroundOne({ around }: { around: AroundChild }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const { studentId, schoolName, balances, rides, bulletin, found } = around;
  const nothing = balances.length + rides.length + found.length === 0 && !bulletin;
  return (
    <Stack>
      <Heading level={2}>{`${nameOf(studentId)} · ${schoolName}`}</Heading>
      {nothing ? <Quiet>{t('around.nothing')}</Quiet> : null}
      {bulletin ? (
        <Stack space={0.25}>
          <Words bold>{t('around.bulletin', { day: format.relative(bulletin.on) })}</Words>
          <Words>{bulletin.text}</Words>
        </Stack>
      ) : null}
      {balances.length > 0 ? (
        <Stack space={0.25}>
          <Words bold>{t('around.money')}</Words>
          <Money balances={balances} />
        </Stack>
      ) : null}
      {rides.length > 0 ? (
        <Stack space={0.25}>
          <Words bold>{t('around.way')}</Words>
          <Rides rides={rides} />
        </Stack>
      ) : null}
      {found.length > 0 ? (
        <Stack space={0.25}>
          <Words bold>{t('around.found')}</Words>
          {found.map(({ id, title, place, foundOn, keptUntil }) => (
            <Words key={id}>
              {[
                title,
                ...(place ? [place] : []),
                t('around.foundOn', { day: format.day(foundOn) }),
                ...(keptUntil ? [t('around.until', { day: format.day(keptUntil) })] : []),
              ].join(' · ')}
            </Words>
          ))}
        </Stack>
      ) : null}
    </Stack>
  );
}

/** What else the schools tell, each child's on one page: money, the way there and home, the day's bulletin, lost things. */
export function AroundScreen() {
  const { t } = useTranslation();
  const { shown } = useChildren();
  const self = useSelf();
  const query = useAroundQuery();
  return (
    <Page>
      {self ? null : <BackLink href="/talk" label={t('places.talk')} />}
      <Heading level={1}>{t('around.title')}</Heading>
      <Loaded query={query}>
        {({ children }) => (
          <View>
            <Stack space={3}>
              {children
                .filter(({ studentId }) => shown.some(({ id }) => id === studentId))
                .map((around) => (
                  <AroundOne key={around.studentId} around={around} />
                ))}
            </Stack>
          </View>
        )}
      </Loaded>
      {self ? null : <WayOn label={t('around.toRules')} href="/alerts/rules" />}
    </Page>
  );
}
