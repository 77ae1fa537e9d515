import { useCallback, useEffect, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { CourseDetail, CourseRecord, Tries } from '@cadro/contract';
import { countedGrade } from '@cadro/core';
import { useCourseQuery, useCourseRecordQuery } from '../../gradebook/api';
import { useChildren, useFormat, useSelf } from '../../household';
import {
  BackLink,
  Choice,
  Field,
  Heading,
  Loaded,
  Page,
  Quiet,
  Quietly,
  Row,
  Span,
  Stack,
  styles,
  themed,
  useWide,
  Words,
} from '../../ui';
import { useSetTargetMutation, useTriesQuery } from '../api';
import { Drawn, FanOf } from './Drawn';
import { Kept } from './Kept';
import { ScoreSlider } from './ScoreSlider';
import { current, useTryOut } from './useTryOut';
import { scoresOf, targetOf, tryGroups, worksOf, type Moved, type TryWork } from './works';

const quick = ['100', '90', '80', '70', '50', '0'] as const;

/** A slider that still moves asks for no drawing of the rest of the term. */
const restMs = 600;

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

/** The scores as they are moved, and the works that are picked to be moved together. */
function useMoving(works: readonly TryWork[]) {
  const [moved, setMoved] = useState<Moved>({});
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
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
  const moveAll = (percent: string) => {
    const ofPicked = works.filter(({ id }) => picked.has(id));
    const scores = ofPicked.map(({ id, possible }) => [id, (possible * Number(percent)) / 100]);
    setMoved((all) => ({ ...all, ...Object.fromEntries(scores) }));
  };
  return { moved, setMoved, move, picked, pick, moveAll };
}

/** One's goal for the course, as it is typed; kept when the field is left. */
function useGoal({ studentId, id: courseId, scale }: CourseDetail, kept: number | null) {
  const format = useFormat();
  const { mayAim } = useChildren();
  const [goal, setGoal] = useState(kept === null ? '' : format.amount(kept));
  const [setTarget] = useSetTargetMutation();
  const target = targetOf(goal, scale.outOf);
  const bad = goal.trim() !== '' && target === null;
  const keep = () => {
    if (mayAim(studentId) && !bad && target !== kept) void setTarget({ studentId, courseId, target });
  };
  return { goal, setGoal, target, bad, keep };
}

function GoalField({ outOf, goal }: { outOf: number; goal: ReturnType<typeof useGoal> }) {
  const { t } = useTranslation();
  return (
    <View onBlur={goal.keep} style={own.target}>
      <Field
        label={t('tries.target', { outOf })}
        value={goal.goal}
        onChange={goal.setGoal}
        onSubmit={goal.keep}
        error={goal.bad ? t('tries.targetBad', { most: 2 * outOf }) : null}
      />
    </View>
  );
}

/** What moves several at once: one share for all that are picked, and the way back. */
function AtOnce({ moving }: { moving: ReturnType<typeof useMoving> }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { moved, setMoved, picked, moveAll } = moving;
  return (
    <>
      {picked.size > 0 ? (
        <Choice
          titled
          label={t('tries.setAll')}
          options={quick.map((value) => ({ value, label: format.percent(Number(value) / 100) }))}
          value={'' as (typeof quick)[number]}
          onChange={moveAll}
        />
      ) : null}
      {Object.keys(moved).length > 0 ? (
        <Quietly label={t('tries.reset')} onPress={() => setMoved({})} />
      ) : null}
    </>
  );
}

/** A slider for each work, in the groups in which they stand. */
function Sliders({ works, moving }: { works: readonly TryWork[]; moving: ReturnType<typeof useMoving> }) {
  const { t } = useTranslation();
  const { moved, move, picked, pick } = moving;
  const groups = tryGroups.filter((group) => works.some((work) => work.group === group));
  return groups.map((group) => (
    <Stack key={group} space={1}>
      <Heading level={2}>{t(`tries.groups.${group}`)}</Heading>
      {works
        .filter((work) => work.group === group)
        .map((work) => (
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
  ));
}

/** What the child shows of its own: the target it has set itself. */
function ChildsGoal({ tries: { childs }, child }: { tries: Tries; child: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  if (!childs || childs.target === null) return null;
  return <Words>{t('desk.from.theirs', { child, target: format.amount(childs.target) })}</Words>;
}

function Trying({ course, record, tries }: { course: CourseDetail; record: CourseRecord; tries: Tries }) {
  const { nameOf, mayAim } = useChildren();
  const self = useSelf();
  const { studentId, id: courseId, scale, figures } = course;
  const tryOut = useTryOut(record);
  const works = useMemo(() => worksOf(record, course.items), [record, course.items]);
  const moving = useMoving(works);
  const goal = useGoal(course, tries.target);
  const { moved, setMoved } = moving;
  const { target } = goal;
  const { ask, simulate } = tryOut;
  const looks = useLooks();
  useEffect(() => ask(current, scoresOf(moved), target), [ask, moved, target]);
  useEffect(() => {
    const rest = setTimeout(() => simulate(scoresOf(moved), target), restMs);
    return () => clearTimeout(rest);
  }, [simulate, moved, target]);

  const now = tryOut.tried[current];
  const shown = now && figures ? { ...figures, ...now } : figures;
  const same = { moved, target, tryOut, decimals: scale.decimals };
  return (
    <Stack space={2}>
      <View style={[own.sticky, looks.figures]}>
        <Figures course={course} shown={shown} target={target} moved={Object.keys(moved).length > 0} />
        {tryOut.fan ? <FanOf fan={tryOut.fan} target={target} decimals={scale.decimals} /> : null}
      </View>
      <AtOnce moving={moving} />
      <Sliders works={works} moving={moving} />
      <Stack>
        <GoalField outOf={scale.outOf} goal={goal} />
        <ChildsGoal tries={tries} child={nameOf(studentId)} />
        <Needed tryOut={tryOut} target={target} />
      </Stack>
      <Kept
        {...same}
        place={{ studentId, courseId }}
        tries={tries}
        mayKeep={mayAim(studentId)}
        child={nameOf(studentId)}
        onShow={setMoved}
      />
      <Drawn {...{ target, tryOut }} decimals={scale.decimals} child={self ? null : nameOf(studentId)} />
    </Stack>
  );
}

/** Figure, letter and span, in sight while one moves what is below. */
function Figures({
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
  const { scale, grade, figures } = course;
  if (!shown) return null;
  const tried = countedGrade(scale, shown);
  const school = grade.count ? t('tries.school', { grade: format.grade(grade) }) : null;
  const say = (value: number | null) => format.figure(value, scale.decimals);
  const label = [
    say(shown.display),
    ...(shown.letter ? [t('tries.letter', { letter: shown.letter })] : []),
  ].join(', ');
  return (
    <>
      <Row wrap style={styles.base}>
        <Words size="title" bold live>
          {format.grade(tried)}
        </Words>
        <Words size="small" colour="soft">
          {moved
            ? `${t('tries.tried')}; ${t('tries.now', { figure: say(figures?.display ?? null) })}`
            : (school ?? t('tries.posted'))}
        </Words>
      </Row>
      <Span large figures={shown} grade={moved ? tried : grade} scale={scale} target={target} label={label} />
    </>
  );
}

/** On one course: move any score and see at once what the grade would be. */
export function TryView({ studentId, courseId }: { studentId: string; courseId: string }) {
  const { t } = useTranslation();
  const wide = useWide();
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
            <Heading level={1} size={wide ? 'title' : 'matter'}>
              {`${t('tries.title')}: ${found.course.title}`}
            </Heading>
            {wide ? <Words colour="soft">{t('tries.lead')}</Words> : null}
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

const own = StyleSheet.create({
  sticky: { position: 'sticky' as 'absolute', top: 0, zIndex: 1 },
  target: { maxWidth: 280 },
});

const useLooks = themed((palette) => ({
  figures: {
    backgroundColor: palette.paper,
    paddingVertical: 8,
    borderBottomWidth: 1,
    borderColor: palette.line,
  },
}));
