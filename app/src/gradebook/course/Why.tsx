import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { CourseDetail } from '@cadro/contract';
import { useFormat } from '../../household';
import { CostBar, Heading, Line, Row, SaveCsv, Stack, styles, Words } from '../../ui';

type Category = CourseDetail['categories'][number];
type Sum = NonNullable<CourseDetail['figures']>['categories'][number];

/** A category's share of the whole: by weight, or by the points in it. */
function sharesOf({ scale, categories, figures }: CourseDetail): ReadonlyMap<string, number> {
  const sums = (figures?.categories ?? []).filter(({ cost }) => cost !== null);
  const weight = (sum: Sum) =>
    scale.method === 'points' ? sum.possible : (categories.find(({ id }) => id === sum.id)?.weight ?? 0);
  const whole = sums.reduce((total, sum) => total + weight(sum), 0);
  return new Map(sums.map((sum) => [sum.id, whole > 0 ? weight(sum) / whole : 0]));
}

function CategoryRow({
  category,
  sum,
  share,
  most,
  course,
}: {
  category: Category;
  sum: Sum | undefined;
  share: number;
  most: number;
  course: CourseDetail;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const { decimals, method } = course.scale;
  const weighted = method === 'weighted' && category.counts;
  const valued = category.counts && sum && sum.fraction !== null ? sum : null;
  const parts = [
    ...(weighted ? [t('course.weighs', { weight: format.amount(category.weight) })] : []),
    ...(weighted && valued && share > 0 && Math.abs(share * 100 - category.weight) > 0.05
      ? [t('course.nowWeighs', { percent: format.percent(share) })]
      : []),
    ...(valued
      ? [
          t('course.points', {
            earned: format.amount(valued.earned),
            possible: format.amount(valued.possible),
          }),
        ]
      : [t(category.counts ? 'course.none' : 'course.practice')]),
    ...(valued && valued.dropped.length > 0 ? [t('course.dropped', { count: valued.dropped.length })] : []),
  ];
  const cost = valued?.cost ?? null;
  return (
    <Stack space={0.5} style={styles.around10}>
      <Row style={styles.apartBase}>
        <Words bold style={styles.shrink}>
          {category.title || t('course.uncategorized')}
        </Words>
        <Words bold>{valued ? format.percent(valued.fraction ?? 0) : ''}</Words>
      </Row>
      {valued && cost !== null ? <CostBar share={share} fraction={valued.fraction ?? 0} most={most} /> : null}
      <Row style={styles.apartTop}>
        <Words size="small" colour="soft" style={styles.shrink}>
          {parts.join(' · ')}
        </Words>
        {cost === null ? null : (
          <Words size="small" colour="ink">
            {cost < -5e-3
              ? t('course.adds', { points: format.figure(-cost, Math.max(1, decimals)) })
              : t('course.costs', { points: format.figure(Math.abs(cost), Math.max(1, decimals)) })}
          </Words>
        )}
      </Row>
    </Stack>
  );
}

/** What the categories come to together, and weights that are no hundred. */
function Together({ course: { figures, scale, categories } }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const posted = figures?.posted ?? null;
  const decimals = Math.max(1, scale.decimals);
  const weights = categories.filter(({ counts }) => counts).reduce((sum, { weight }) => sum + weight, 0);
  return (
    <>
      {posted === null ? null : (
        <Words size="small" colour="soft" style={styles.above8}>
          {t(posted > scale.outOf ? 'course.above' : 'course.together', {
            lost: format.figure(Math.abs(scale.outOf - posted), decimals),
            top: format.amount(scale.outOf),
            figure: format.figure(posted, decimals),
          })}
        </Words>
      )}
      {scale.method === 'weighted' && weights > 0 && Math.abs(weights - 100) > 1e-6 ? (
        <Words size="small" colour="soft">
          {t('course.weightsSum', { sum: format.amount(weights) })}
        </Words>
      ) : null}
    </>
  );
}

function WhyCsv({ course, sums }: { course: CourseDetail; sums: ReadonlyMap<string, Sum> }) {
  const { t } = useTranslation();
  return (
    <SaveCsv
      name={t('course.csv.why', { course: course.title })}
      columns={[
        t('course.category'),
        t('course.weight'),
        t('course.fraction'),
        t('course.csv.earned'),
        t('course.csv.possible'),
        t('course.csv.cost'),
      ]}
      rows={() =>
        course.categories.map(({ id, title, weight, counts }) => {
          const sum = sums.get(id);
          return [
            title,
            counts ? weight : null,
            sum?.fraction ?? null,
            sum?.earned ?? null,
            sum?.possible ?? null,
            sum?.cost ?? null,
          ];
        })
      }
    />
  );
}

/** What counts how much, where it stands, and how many points of the overall figure each category has cost. */
export function Why({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { figures, scale, categories } = course;
  const sums = new Map(figures?.categories.map((sum) => [sum.id, sum]));
  const shares = sharesOf(course);
  const most = Math.max(0, ...shares.values());
  const figure = format.figure(figures?.display ?? null, scale.decimals);
  const counted = course.grade.count !== null;
  return (
    <View>
      <Heading level={2}>
        {(figures?.posted ?? null) === null
          ? t('course.whyNone')
          : t(counted ? 'course.whyCount' : 'course.why', { figure })}
      </Heading>
      {categories.map((category) => (
        <View key={category.id}>
          <CategoryRow
            category={category}
            sum={sums.get(category.id)}
            share={shares.get(category.id) ?? 0}
            most={most}
            course={course}
          />
          <Line />
        </View>
      ))}
      <Together course={course} />
      <WhyCsv course={course} sums={sums} />
    </View>
  );
}
