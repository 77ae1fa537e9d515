import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { CourseDetail, FigureStep } from '@cadro/contract';
import { dayMs, spanSteps } from '@cadro/core';
import { useFormat } from '../../household';
import { Choice, Heading, Quiet, Quietly, Row, SaveCsv, Stack, StepLine, Words, WayOn } from '../../ui';
import { causeWords, deltaWords } from './courseWords';

const ranges = ['weeks', 'term', 'year'] as const;
type Range = (typeof ranges)[number];

interface Point {
  readonly step: FigureStep;
  readonly begins: boolean;
}

/** The steps that are seen: those that moved the figure, or began it. */
const visible = (steps: readonly FigureStep[]): FigureStep[] =>
  steps.filter(({ delta, posted }) => posted !== null && (delta === null || Math.abs(delta) > 1e-9));

/** The steps of a range; what stood before a range of two weeks is its first point. */
function pointsOf(course: CourseDetail, range: Range): Point[] {
  const own = visible(course.moved).map((step, index) => ({ step, begins: index === 0 }));
  if (range === 'term') return own;
  if (range === 'year') {
    const before = course.earlier.flatMap(({ moved }) =>
      visible(moved).map((step, index) => ({ step, begins: index === 0 })),
    );
    return [...before, ...own];
  }
  const since = Date.parse(course.asOf) - 14 * dayMs;
  const within = own.filter(({ step }) => Date.parse(step.at) >= since);
  const last = own.filter(({ step }) => Date.parse(step.at) < since).at(-1);
  return last ? [{ ...last, begins: true }, ...within] : within;
}

function Chosen({ point, course }: { point: Point; course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { step } = point;
  const { decimals } = course.scale;
  return (
    <Stack space={0.25}>
      <Words bold live>
        {t('course.stepFigure', {
          date: format.day(step.at),
          figure: format.figure(step.posted, Math.max(1, decimals)),
          delta: deltaWords(t, format, step.delta),
        })}
      </Words>
      <Words live>{causeWords(t, format, step)}</Words>
      <WayOn label={t('course.openWork')} href={`/courses/${course.studentId}/${course.id}/${step.itemId}`} />
    </Stack>
  );
}

const keyOf = ({ step }: Point): string => `${step.itemId}/${step.at}`;

/** When the line of a range begins: with its first step, and not before the two weeks. */
function startOf(course: CourseDetail, range: Range, points: readonly Point[]): number {
  const firstMs = Date.parse(points[0]?.step.at ?? course.asOf);
  return range === 'weeks' ? Math.max(firstMs, Date.parse(course.asOf) - 14 * dayMs) : firstMs;
}

/** The points of a range as they are drawn, and the step that is chosen. */
function useLine(course: CourseDetail, range: Range) {
  const { t } = useTranslation();
  const format = useFormat();
  const [chosenKey, setChosenKey] = useState<string | null>(null);
  const points = pointsOf(course, range);
  const found = points.findIndex((point) => keyOf(point) === chosenKey);
  const chosen = found < 0 ? points.length - 1 : found;
  const choose = (index: number) => {
    const point = points[Math.max(0, Math.min(points.length - 1, index))];
    if (point) setChosenKey(keyOf(point));
  };
  const fromMs = startOf(course, range, points);
  const stepWords = (step: FigureStep) =>
    [format.day(step.at), causeWords(t, format, step), deltaWords(t, format, step.delta)].join('. ');
  const line = points.map((point) => ({
    key: keyOf(point),
    atMs: Math.max(fromMs, Date.parse(point.step.at)),
    value: point.step.posted ?? 0,
    begins: point.begins,
    words: stepWords(point.step),
  }));
  return { line, fromMs, chosen, choose, current: points[chosen] };
}

/** The line of a range, the step that is chosen in words, and the ways to its neighbours. */
function Steps({ course, range }: { course: CourseDetail; range: Range }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { line, fromMs, chosen, choose, current } = useLine(course, range);
  if (!current) return <Quiet>{t('course.nothingMovedHere')}</Quiet>;
  return (
    <>
      <StepLine
        label={t('course.movedLabel', { count: line.length })}
        points={line}
        fromMs={fromMs}
        toMs={Date.parse(course.asOf)}
        marks={spanSteps(course.scale, { from: 0, to: course.scale.outOf })}
        write={(value) => format.figure(value, Math.max(1, course.scale.decimals))}
        chosen={chosen}
        onChoose={choose}
      />
      <Chosen point={current} course={course} />
      <Row space={2}>
        <Quietly label={t('course.before')} onPress={() => choose(chosen - 1)} />
        <Quietly label={t('course.after')} onPress={() => choose(chosen + 1)} />
        <Words size="small" colour="soft">
          {t('course.stepOf', { number: chosen + 1, count: line.length })}
        </Words>
      </Row>
    </>
  );
}

function MovedCsv({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const columns = (['when', 'work', 'what', 'delta', 'figure'] as const).map((name) =>
    t(`course.csv.${name}`),
  );
  const rows = () =>
    course.moved.map((step) => [step.at, step.title, causeWords(t, format, step), step.delta, step.posted]);
  return <SaveCsv name={t('course.csv.moved', { course: course.title })} columns={columns} rows={rows} />;
}

/** What moved the figure most in the last two weeks, in one sentence. */
export function LastMoved({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const since = Date.parse(course.asOf) - 14 * dayMs;
  const moves = visible(course.moved);
  // Less than half a hundredth of the scale is nothing to begin a page with.
  const [last] = moves
    .filter(({ at, delta }) => Date.parse(at) >= since && Math.abs(delta ?? 0) >= 5e-3 * course.scale.outOf)
    .sort((a, b) => Math.abs(b.delta ?? 0) - Math.abs(a.delta ?? 0));
  if (!last) return moves.length > 0 ? <Words>{t('course.movedLittle')}</Words> : null;
  return (
    <Words>
      {t('course.movedLast', {
        date: format.day(last.at),
        cause: causeWords(t, format, last),
        delta: deltaWords(t, format, last.delta),
      })}
    </Words>
  );
}

/** What moved the figure: a stepped line whose steps can be touched or reached by keyboard, each with its cause. */
export function Moved({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const [range, setRange] = useState<Range>('weeks');
  const offered = ranges.filter((each) => each !== 'year' || course.earlier.length > 0);
  if (visible(course.moved).length === 0 && course.earlier.length === 0) {
    return (
      <Stack>
        <Heading level={2}>{t('course.moved')}</Heading>
        <Quiet>{t('course.nothingMoved')}</Quiet>
      </Stack>
    );
  }
  return (
    <Stack>
      <Heading level={2}>{t('course.moved')}</Heading>
      <Choice
        label={t('course.range')}
        options={offered.map((value) => ({ value, label: t(`course.ranges.${value}`) }))}
        value={range}
        onChange={setRange}
      />
      <Steps course={course} range={range} />
      <MovedCsv course={course} />
    </Stack>
  );
}
