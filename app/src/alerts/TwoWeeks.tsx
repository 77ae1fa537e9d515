import { useFormat } from '../household';
import { DotDays, Stack, Words } from '../ui';

/** Two weeks, today the last of them. */
const span = 14;

/** The days of the last two weeks, each with how many of these instants fall on it. */
export function useTwoWeeks(instants: readonly string[]) {
  const format = useFormat();
  const days = Array.from({ length: span }, (_, at) => format.daysAhead(at + 1 - span)).map((on) => ({
    on,
    count: instants.filter((at) => format.dateOf(at) === on).length,
  }));
  return { days, count: days.reduce((sum, day) => sum + day.count, 0) };
}

/** What came in the last two weeks: a dot for each, over its day, and what that is. */
export function TwoWeeks({
  days,
  said,
  live,
}: {
  days: ReturnType<typeof useTwoWeeks>['days'];
  said: string;
  /** It changes while one looks. */
  live?: boolean;
}) {
  const format = useFormat();
  return (
    <Stack space={0.5}>
      <DotDays days={days} label={said} dayOf={format.weekday} />
      {live ? (
        <Words live>{said}</Words>
      ) : (
        <Words size="small" colour="soft">
          {said}
        </Words>
      )}
    </Stack>
  );
}
