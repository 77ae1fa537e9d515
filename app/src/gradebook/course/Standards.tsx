import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { CourseDetail, StandardDetail } from '@cadro/contract';
import { useFormat } from '../../household';
import { type Cell, Heading, Line, List, Quietly, RowLink, SaveCsv, Stack, styles, Words } from '../../ui';
import { Comments } from '../Comments';
import { standardsWords } from '../words';
import { policySentences } from './courseWords';

type Assessed = NonNullable<CourseDetail['figures']>['standards'][number];

/** What the next level up would show; null at the top or where the school tells no levels. */
function nextLevel({ levels }: StandardDetail, level: number | null) {
  const above = levels.filter(({ level: of }) => of > (level ?? 0)).sort((a, b) => a.level - b.level);
  return level === null ? null : (above[0] ?? null);
}

function Evidence({ standard, course }: { standard: StandardDetail; course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const ids = new Set(standard.evidence.map(({ itemId }) => itemId));
  const comments = course.comments.filter(({ itemId }) => itemId !== null && ids.has(itemId));
  return (
    <Stack>
      <List>
        {[...standard.evidence].reverse().map(({ itemId, title, at, level }) => (
          <RowLink
            key={itemId}
            href={`/courses/${course.studentId}/${course.id}/${itemId}`}
            label={`${title}. ${format.day(at)}. ${t('item.level', { level: format.amount(level) })}`}
          >
            <View style={own.standard}>
              <Words size="small" style={styles.shrink}>
                {title}
              </Words>
              <Words size="small" colour="soft">
                {`${format.day(at)} · ${t('item.level', { level: format.amount(level) })}`}
              </Words>
            </View>
          </RowLink>
        ))}
      </List>
      {comments.length > 0 ? <Comments studentId={course.studentId} comments={comments} none={null} /> : null}
    </Stack>
  );
}

function Standard({
  standard,
  found,
  course,
}: {
  standard: StandardDetail;
  found: Assessed | undefined;
  course: CourseDetail;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const [open, setOpen] = useState(false);
  const level = found?.level ?? null;
  const next = nextLevel(standard, level);
  const reached = standard.levels.find(({ level: of }) => of === level)?.text;
  const count = standard.evidence.length;
  return (
    <Stack space={0.5} style={styles.around12}>
      <Heading level={3}>{standard.title}</Heading>
      <Words bold={level !== null} colour={level === null ? 'soft' : 'ink'}>
        {level === null
          ? t('course.notAssessed')
          : `${t('course.level', { level: format.amount(Math.round(level * 100) / 100) })}, ${t(found?.met ? 'course.met' : 'course.notMet')}`}
      </Words>
      {reached ? <Words size="small">{reached}</Words> : null}
      {next ? (
        <Words size="small" colour="teal">
          {t('course.nextLevel', { level: format.amount(next.level), text: next.text })}
        </Words>
      ) : null}
      {level === null && standard.levels.length > 0 ? (
        <Words size="small" colour="soft">
          {t('course.metWould', {
            text:
              standard.levels.find(({ level: of }) => of === (course.policy.standards?.metAt ?? 3))?.text ??
              '',
          })}
        </Words>
      ) : null}
      {count > 0 ? (
        <Quietly
          label={t(open ? 'course.hideEvidence' : 'course.showEvidence', { count })}
          hint={standard.title}
          onPress={() => setOpen(!open)}
          open={open}
        />
      ) : null}
      {open ? <Evidence standard={standard} course={course} /> : null}
    </Stack>
  );
}

/** Per standard its level, what it shows, the next level, and the evidence; not assessed is not the same as not met. */
export function Standards({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const found = new Map(course.figures?.standards.map((standard) => [standard.id, standard]));
  return (
    <View>
      <Heading level={2}>{t('course.standards')}</Heading>
      <Words>{standardsWords(t, course.figures?.standards ?? [])}</Words>
      <Words size="small" colour="soft">
        {policySentences(t, format, course).slice(0, 2).join(' ')}
      </Words>
      {course.standards.map((standard) => (
        <View key={standard.id}>
          <Standard standard={standard} found={found.get(standard.id)} course={course} />
          <Line />
        </View>
      ))}
      <SaveCsv
        name={t('course.csv.standards', { course: course.title })}
        columns={[
          t('course.csv.standard'),
          t('course.csv.level'),
          t('course.csv.met'),
          t('course.csv.work'),
          t('course.csv.when'),
          t('course.csv.workLevel'),
        ]}
        rows={() =>
          course.standards.flatMap(({ id, title, evidence }): Cell[][] => {
            const standard = found.get(id);
            const met =
              standard?.met === null || standard === undefined
                ? t('course.notAssessed')
                : t(standard.met ? 'course.met' : 'course.notMet');
            const own: Cell[] = [title, standard?.level ?? null, met];
            return evidence.length === 0
              ? [[...own, null, null, null]]
              : evidence.map(({ title: work, at, level }) => [...own, work, at, level]);
          })
        }
      />
    </View>
  );
}

const own = StyleSheet.create({
  standard: { flexDirection: 'row', justifyContent: 'space-between', gap: 16 },
});
