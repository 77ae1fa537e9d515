import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { WorkRow } from '@cadro/contract';
import { useChildren, useFormat } from '../../household';
import { problemWords } from '../../i18n';
import { useChooseTasksMutation } from '../../plan/api';
import { Action, Quietly, Row, Stack, usePalette, Words } from '../../ui';
import { useJointQuery } from '../api';

/** What the chosen works come to together, and what can be done with them. */
export function PickBar({ picked, onClear }: { picked: readonly WorkRow[]; onClear: () => void }) {
  const { t } = useTranslation();
  const format = useFormat();
  const palette = usePalette();
  const router = useRouter();
  const { mayTalk } = useChildren();
  const picks = picked.map(({ studentId, itemId }) => ({ studentId, itemId }));
  const { data: joint } = useJointQuery(picks);
  const [choose, { isLoading, error }] = useChooseTasksMutation();
  const [first] = picked;
  if (!first) return null;
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
    <View
      role="region"
      aria-label={t('work.picked', { count: picked.length })}
      style={{
        borderTopWidth: 2,
        borderColor: palette.ink,
        backgroundColor: palette.sheet,
        padding: 12,
        paddingHorizontal: 20,
      }}
    >
      <Stack space={1}>
        <Row wrap space={2} style={{ justifyContent: 'space-between' }}>
          <Words bold>{t('work.picked', { count: picked.length })}</Words>
          <Quietly label={t('work.unpick')} onPress={onClear} />
        </Row>
        {joint && joint.courses.length > 0 ? (
          <View aria-live="polite">
            <Words size="small" colour="soft">
              {t('work.ifAll')}
            </Words>
            {joint.courses.map(({ studentId, courseId, courseTitle, ifLeft, ifDone, decimals }) => (
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
        ) : null}
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
      </Stack>
    </View>
  );
}
