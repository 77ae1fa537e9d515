import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { ChildTerms } from '@cadro/contract';
import { useFormat } from '../../household';
import { Heading, Line, Row, SaveCsv, Stack, Words } from '../../ui';

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
          <Stack space={0.25} style={{ paddingVertical: 8 }}>
            <Row style={{ justifyContent: 'space-between' }}>
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

/** The grade-point average with its table and the courses it is made of. */
export function Average({ years }: { years: ChildTerms }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { average, courses } = years;
  if (!average) return null;
  const titleOf = (courseId: string) => courses.find((course) => course.courseId === courseId)?.title ?? '';
  const pointsOf = (letter: string | null) =>
    average.table.find((row) => row.letter === letter)?.points ?? null;
  return (
    <View>
      <Heading level={2}>{t('terms.average')}</Heading>
      <Row space={4} style={{ paddingVertical: 8, alignItems: 'flex-start' }}>
        {[
          { key: 'stored', value: average.stored, word: t('terms.averageStored') },
          { key: 'running', value: average.withRunning, word: t('terms.averageRunning') },
        ].map(({ key, value, word }) => (
          <View key={key} style={{ flex: 1 }}>
            <Words bold style={{ fontSize: 24, lineHeight: 28 }}>
              {format.figure(value, 2)}
            </Words>
            <Words size="small" colour="soft">
              {word}
            </Words>
          </View>
        ))}
      </Row>
      <Words size="small" colour="soft">
        {t('terms.table', {
          list: format.list(
            average.table.map(({ letter, points }) =>
              t('terms.tableRow', { letter, points: format.amount(points) }),
            ),
          ),
        })}
      </Words>
      {average.rows.map(({ courseId, letter, credits, bump, stored }) => {
        const points = pointsOf(letter);
        return (
          <Row key={courseId} style={{ justifyContent: 'space-between', paddingVertical: 6 }}>
            <Words size="small" style={{ flexShrink: 1 }}>
              {titleOf(courseId)}
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
      })}
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
            const points = pointsOf(letter);
            return [
              titleOf(courseId),
              letter,
              points === null ? null : points + bump,
              credits,
              t(stored ? 'terms.averageStored' : 'terms.averageRunning'),
            ];
          })
        }
      />
    </View>
  );
}
