import { useCallback, useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { CourseDetail, CourseRecord, Tries } from '@cadro/contract';
import { useCourseQuery, useCourseRecordQuery } from '../../gradebook/api';
import { useChildren, useFormat } from '../../household';
import {
  BackLink,
  Choice,
  Field,
  Heading,
  Loaded,
  Page,
  Quiet,
  Quietly,
  Span,
  Stack,
  usePalette,
  Words,
} from '../../ui';
import { useSetTargetMutation, useTriesQuery } from '../api';
import { Drawn } from './Drawn';
import { Kept } from './Kept';
import { ScoreSlider } from './ScoreSlider';
import { current, useTryOut } from './useTryOut';
import { scoresOf, targetOf, tryGroups, worksOf, type Moved } from './works';

const quick = ['100', '90', '80', '70', '50', '0'] as const;

/** What a target asks for with the scores as they are moved. */
function Needed({ tryOut, target }: { tryOut: ReturnType<typeof useTryOut>; target: number | null }) {
  const { t } = useTranslation();
  const format = useFormat();
  const answer = tryOut.tried[current];
  if (target === null || !answer?.needed) return null;
  const { status, x } = answer.needed;
  const words =
    status === 'secured'
      ? t('tries.secured')
      : status === 'out-of-reach'
        ? t(answer.toCome === 0 ? 'tries.noneToCome' : 'tries.outOfReach')
        : t('tries.reachable', { count: answer.toCome, share: format.percent(x ?? 0) });
  return (
    <Words bold live>
      {words}
    </Words>
  );
}

function Trying({ course, record, tries }: { course: CourseDetail; record: CourseRecord; tries: Tries }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf, mayTalk } = useChildren();
  const { studentId, id: courseId, scale, figures } = course;
  const place = { studentId, courseId };
  const tryOut = useTryOut(record);
  const [moved, setMoved] = useState<Moved>({});
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const [goal, setGoal] = useState(tries.target === null ? '' : format.amount(tries.target));
  const [setTarget] = useSetTargetMutation();
  const works = useMemo(() => worksOf(record, course.items), [record, course.items]);
  const target = targetOf(goal, scale.outOf);
  const { ask } = tryOut;
  useEffect(() => ask(current, scoresOf(moved), target), [ask, moved, target]);

  const move = useCallback(
    (id: string, earned: number | null) =>
      setMoved((all) => {
        const others = Object.fromEntries(Object.entries(all).filter(([key]) => key !== id));
        return earned === null ? others : { ...others, [id]: earned };
      }),
    [],
  );
  const pick = useCallback(
    (id: string, on: boolean) =>
      setPicked((all) => new Set(on ? [...all, id] : [...all].filter((each) => each !== id))),
    [],
  );
  const setAll = (percent: string) =>
    setMoved((all) => ({
      ...all,
      ...Object.fromEntries(
        works.flatMap(({ id, possible }) =>
          picked.has(id) ? [[id, (possible * Number(percent)) / 100]] : [],
        ),
      ),
    }));
  const now = tryOut.tried[current];
  const shown = now && figures ? { ...figures, ...now } : figures;
  const keepTarget = () => {
    if (!mayTalk(studentId) || (goal.trim() !== '' && target === null) || target === tries.target) return;
    void setTarget({ ...place, target });
  };
  return (
    <Stack space={3}>
      <Stack space={1} style={{ position: 'sticky' as 'absolute', top: 0, zIndex: 1 }}>
        <StickyFigures course={course} shown={shown} target={target} moved={Object.keys(moved).length > 0} />
      </Stack>
      <View onBlur={keepTarget} style={{ maxWidth: 280 }}>
        <Field
          label={t('tries.target', { outOf: scale.outOf })}
          value={goal}
          onChange={setGoal}
          onSubmit={keepTarget}
          error={
            goal.trim() !== '' && target === null ? t('tries.targetBad', { most: 2 * scale.outOf }) : null
          }
        />
      </View>
      <Needed tryOut={tryOut} target={target} />
      {picked.size > 0 ? (
        <Choice
          titled
          label={t('tries.setAll')}
          options={quick.map((value) => ({ value, label: format.percent(Number(value) / 100) }))}
          value={'' as (typeof quick)[number]}
          onChange={setAll}
        />
      ) : null}
      {Object.keys(moved).length > 0 ? (
        <Quietly label={t('tries.reset')} onPress={() => setMoved({})} />
      ) : null}
      {tryGroups.map((group) => {
        const own = works.filter((work) => work.group === group);
        if (own.length === 0) return null;
        return (
          <Stack key={group} space={1}>
            <Heading level={2}>{t(`tries.groups.${group}`)}</Heading>
            {own.map((work) => (
              <ScoreSlider
                key={work.id}
                work={work}
                moved={moved[work.id]}
                picked={picked.has(work.id)}
                onMove={move}
                onPick={pick}
              />
            ))}
          </Stack>
        );
      })}
      <Kept
        place={place}
        tries={tries}
        moved={moved}
        decimals={scale.decimals}
        target={target}
        tryOut={tryOut}
        mayKeep={mayTalk(studentId)}
        onShow={setMoved}
      />
      <Drawn
        child={nameOf(studentId)}
        moved={moved}
        target={target}
        decimals={scale.decimals}
        tryOut={tryOut}
      />
    </Stack>
  );
}

/** Figure, letter and span, in sight while one moves what is below. */
function StickyFigures({
  course,
  shown,
  target,
  moved,
}: {
  course: CourseDetail;
  shown: CourseDetail['figures'];
  target: number | null;
  moved: boolean;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const palette = usePalette();
  const { scale, figures } = course;
  if (!shown) return null;
  const say = (value: number | null) => format.figure(value, scale.decimals);
  const label = [
    say(shown.display),
    ...(shown.letter ? [t('tries.letter', { letter: shown.letter })] : []),
  ].join(', ');
  return (
    <View
      style={{
        backgroundColor: palette.paper,
        paddingVertical: 8,
        borderBottomWidth: 1,
        borderColor: palette.line,
      }}
    >
      <Words size="title" bold live>
        {[say(shown.display), ...(shown.letter ? [shown.letter] : [])].join(' ')}
      </Words>
      <Words size="small" colour="soft">
        {moved
          ? `${t('tries.tried')}; ${t('tries.now', { figure: say(figures?.display ?? null) })}`
          : t('tries.posted')}
      </Words>
      <Span large figures={shown} scale={scale} target={target} label={label} />
    </View>
  );
}

/** On one course: move any score and see at once what the grade would be. */
export function TryView({ studentId, courseId }: { studentId: string; courseId: string }) {
  const { t } = useTranslation();
  const place = { studentId, courseId };
  const course = useCourseQuery(place);
  const record = useCourseRecordQuery(place);
  const tries = useTriesQuery(place);
  const all =
    course.data && record.data && tries.data
      ? { course: course.data, record: record.data, tries: tries.data }
      : undefined;
  const query = {
    data: all,
    isError: course.isError || record.isError || tries.isError,
    refetch: () => [course, record, tries].map((each) => each.refetch()),
  };
  return (
    <Loaded query={query}>
      {(found) => (
        <Page>
          <BackLink href={`/courses/${studentId}/${courseId}`} label={found.course.title} />
          <View>
            <Heading level={1}>{`${t('tries.title')}: ${found.course.title}`}</Heading>
            <Words colour="soft">{t('tries.lead')}</Words>
          </View>
          {found.course.scale.method === 'standards' ? (
            <Quiet>{t('tries.standards')}</Quiet>
          ) : (
            <Trying {...found} />
          )}
        </Page>
      )}
    </Loaded>
  );
}
