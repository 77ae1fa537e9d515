import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { ChildTerms } from '@cadro/contract';
import { useFormat } from '../../household';
import { Heading, Line, Row, SaveCsv, Stack, styles, Words } from '../../ui';

/** Credits by area, in sentences: earned, in progress, still needed. */
export function Credits({ years }: { years: ChildTerms }) {
  const { t } = useTranslation();
  const format = useFormat();
  if (years.credits.length === 0) return null;
  return (
    <View>
      <Heading level={2}>{t('terms.credits')}</Heading>
      {years.credits.map(({ area, earned, inProgress, required, stillNeeded }) => (
        <View key={area}>
          <Stack space={0.25} style={styles.around8}>
            <Row style={styles.apart}>
              <Words bold>{area}</Words>
              <Words>
                {t('terms.creditsOf', { earned: format.amount(earned), required: format.amount(required) })}
              </Words>
            </Row>
            <Words size="small" colour="soft">
              {[
                ...(inProgress > 0 ? [t('terms.inProgress', { credits: format.amount(inProgress) })] : []),
                stillNeeded > 0
                  ? t('terms.stillNeeded', { credits: format.amount(stillNeeded) })
                  : t('terms.nothingNeeded'),
              ].join(' · ')}
            </Words>
          </Stack>
          <Line />
        </View>
      ))}
      <SaveCsv
        name={t('terms.credits')}
        columns={[
          t('terms.csv.area'),
          t('terms.csv.earned'),
          t('terms.csv.inProgress'),
          t('terms.csv.required'),
          t('terms.csv.needed'),
        ]}
        rows={() =>
          years.credits.map(({ area, earned, inProgress, required, stillNeeded }) => [
            area,
            earned,
            inProgress,
            required,
            stillNeeded,
          ])
        }
      />
    </View>
  );
}

type PointAverage = NonNullable<ChildTerms['average']>;

const pointsOf = ({ table }: PointAverage, letter: string | null): number | null =>
  table.find((row) => row.letter === letter)?.points ?? null;
const titleOf = ({ courses }: ChildTerms, courseId: string): string =>
  courses.find((course) => course.courseId === courseId)?.title ?? '';

/** The average with what the school has stored, and with what is running. */
function Averages({ average }: { average: PointAverage }) {
  const { t } = useTranslation();
  const format = useFormat();
  return (
    <Row space={4} style={own.credit}>
      {[
        { value: average.stored, word: t('terms.averageStored') },
        { value: average.withRunning, word: t('terms.averageRunning') },
      ].map(({ value, word }) => (
        <View key={word} style={styles.fill}>
          <Words bold size="title">
            {format.figure(value, 2)}
          </Words>
          <Words size="small" colour="soft">
            {word}
          </Words>
        </View>
      ))}
    </Row>
  );
}

/** A course of the average: its letter's points and its credits. */
function PointsRow({
  title,
  row: { letter, credits, bump, stored },
  points,
}: {
  title: string;
  row: PointAverage['rows'][number];
  points: number | null;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  return (
    <Row style={own.sum}>
      <Words size="small" style={styles.shrink}>
        {title}
      </Words>
      <Words size="small" colour="soft">
        {points === null
          ? t('terms.noPoints')
          : t(stored ? 'terms.pointsStored' : 'terms.pointsRunning', {
              letter,
              points: format.amount(points + bump),
              credits: format.amount(credits),
            })}
      </Words>
    </Row>
  );
}

function AverageCsv({ years, average }: { years: ChildTerms; average: PointAverage }) {
  const { t } = useTranslation();
  return (
    <SaveCsv
      name={t('terms.average')}
      columns={[
        t('terms.csv.course'),
        t('terms.csv.letter'),
        t('terms.csv.points'),
        t('terms.credits'),
        t('terms.csv.state'),
      ]}
      rows={() =>
        average.rows.map(({ courseId, letter, credits, bump, stored }) => {
          const points = pointsOf(average, letter);
          return [
            titleOf(years, courseId),
            letter,
            points === null ? null : points + bump,
            credits,
            t(stored ? 'terms.averageStored' : 'terms.averageRunning'),
          ];
        })
      }
    />
  );
}

/** The grade-point average with its table and the courses it is made of. */
export function Average({ years }: { years: ChildTerms }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { average } = years;
  if (!average) return null;
  const table = average.table.map(({ letter, points }) =>
    t('terms.tableRow', { letter, points: format.amount(points) }),
  );
  return (
    <View>
      <Heading level={2}>{t('terms.average')}</Heading>
      <Averages average={average} />
      <Words size="small" colour="soft">
        {t('terms.table', { list: format.list(table) })}
      </Words>
      {average.rows.map((row) => (
        <PointsRow
          key={row.courseId}
          title={titleOf(years, row.courseId)}
          row={row}
          points={pointsOf(average, row.letter)}
        />
      ))}
      <AverageCsv years={years} average={average} />
    </View>
  );
}

const own = StyleSheet.create({
  credit: { paddingVertical: 8, alignItems: 'flex-start' },
  sum: { justifyContent: 'space-between', paddingVertical: 6 },
});
