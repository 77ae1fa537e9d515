import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { JointAnswer, WorkRow } from '@cadro/contract';
import { useChildren, useFormat } from '../../household';
import { problemWords } from '../../i18n';
import { useChooseTasksMutation } from '../../plan/api';
import { Action, Quietly, Row, Stack, styles, themed, Words } from '../../ui';
import { useJointQuery } from '../api';

/** What each course would come to. */
function Joint({ courses }: JointAnswer) {
  const { t } = useTranslation();
  const format = useFormat();
  if (courses.length === 0) return null;
  return (
    <View aria-live="polite">
      <Words size="small" colour="soft">
        {t('work.ifAll')}
      </Words>
      {courses.map(({ studentId, courseId, courseTitle, ifLeft, ifDone, decimals }) => (
        <Words key={`${studentId}:${courseId}`} bold>
          {ifDone === null
            ? t('work.jointNothing', { course: courseTitle })
            : t('work.joint', {
                course: courseTitle,
                left: format.figure(ifLeft, decimals),
                done: format.figure(ifDone, decimals),
              })}
        </Words>
      ))}
    </View>
  );
}

/** The ways on: into the plan, or taken in hand together where all are of one course. */
function WaysOn({ picked, first }: { picked: readonly WorkRow[]; first: WorkRow }) {
  const { t } = useTranslation();
  const router = useRouter();
  const { mayTalk } = useChildren();
  const [choose, { isLoading, error }] = useChooseTasksMutation();
  const children = [...new Set(picked.map(({ studentId }) => studentId))];
  const oneCourse = picked.every(
    ({ courseId, studentId }) => courseId === first.courseId && studentId === first.studentId,
  );
  const put = async () => {
    for (const studentId of children) {
      const tasks = picked.flatMap((row) => (row.studentId === studentId ? [{ itemId: row.itemId }] : []));
      const answer = await choose({ studentId, tasks });
      if (answer.error) return;
    }
    router.push(`/work/plan?child=${first.studentId}`);
  };
  const together = () => {
    const ids = picked.map(({ itemId }) => itemId).join(',');
    router.push(`/talk/new?studentId=${first.studentId}&courseId=${first.courseId}&itemIds=${ids}`);
  };
  return (
    <>
      {error ? (
        <Words colour="plum" live>
          {problemWords(t, error)}
        </Words>
      ) : null}
      {children.every(mayTalk) ? (
        <Row wrap space={1.5}>
          <Action main label={t('work.toPlan')} busy={isLoading} onPress={() => void put()} />
          {oneCourse ? <Action label={t('work.together')} onPress={together} /> : null}
        </Row>
      ) : null}
    </>
  );
}

/** What the chosen works come to together, and what can be done with them. */
export function PickBar({ picked, onClear }: { picked: readonly WorkRow[]; onClear: () => void }) {
  const { t } = useTranslation();
  const looks = useLooks();
  const { data: joint } = useJointQuery(picked.map(({ studentId, itemId }) => ({ studentId, itemId })));
  const [first] = picked;
  if (!first) return null;
  return (
    <View role="region" aria-label={t('work.picked', { count: picked.length })} style={looks.bar}>
      <Stack space={1}>
        <Row wrap space={2} style={styles.apart}>
          <Words bold>{t('work.picked', { count: picked.length })}</Words>
          <Quietly label={t('work.unpick')} onPress={onClear} />
        </Row>
        {joint ? <Joint courses={joint.courses} /> : null}
        <WaysOn picked={picked} first={first} />
      </Stack>
    </View>
  );
}

const useLooks = themed((palette) => ({
  bar: {
    borderTopWidth: 2,
    borderColor: palette.ink,
    backgroundColor: palette.sheet,
    padding: 12,
    paddingHorizontal: 20,
  },
}));
