import { proposePlan, simulate, tryOut, type PlanEvening, type PlanTask } from '@cadro/core';
import { packExactly } from '@cadro/server/plan';
import { courseRecord } from './courseRecord';
import { medianMs } from './measure';

/** A frame of a screen that draws sixty times a second. */
const frameMs = 1000 / 60;

/** What a slider waits for: the answer about a course with one score moved and a target. */
function slider(): void {
  console.log(
    'a slider’s answer: one score moved, one target, as a ratio to JSON.parse of the record and to a frame',
  );
  console.log('course               items   answer ms   to parse   to a frame');
  for (const method of ['weighted', 'points'] as const) {
    for (const items of [60, 200, 1000]) {
      const record = courseRecord(items, { method, drops: true });
      const text = JSON.stringify(record);
      const [itemId = ''] = (record.items ?? []).map(({ id }) => id);
      const move = () => tryOut(record, [{ itemId, earned: 5 }], [record.policy.outOf ?? 100]);
      const [parseMs, answerMs] = medianMs([() => JSON.parse(text), move]);
      console.log(
        [
          `${method}, with drops`.padEnd(20),
          String(items).padStart(6),
          answerMs.toFixed(3).padStart(11),
          (answerMs / parseMs).toFixed(2).padStart(10),
          (answerMs / frameMs).toFixed(3).padStart(12),
        ].join(' '),
      );
    }
  }
}

const seconds = async (run: () => unknown): Promise<number> => {
  const started = process.hrtime.bigint();
  await run();
  return Number(process.hrtime.bigint() - started) / 1e9;
};

async function drawing(): Promise<void> {
  const record = courseRecord(200, { method: 'weighted', drops: true });
  const draw = (draws: number) => () => {
    const drawn = simulate({ record, draws, seed: 1, target: 80 });
    while (!drawn.next().done);
  };
  const [one, ten] = [await seconds(draw(1000)), await seconds(draw(10_000))];
  console.log(
    `10,000 draws of the rest of a term, 200 items: ${ten.toFixed(2)} s, ${(ten / one).toFixed(1)} times 1,000 draws`,
  );
}

const day = (index: number): string => `2026-11-${String(index + 1).padStart(2, '0')}`;

/** Numbers from 0 to 1, the same on every run. */
function scatter(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 16807) % 2147483647) / 2147483647;
}

function question(seed: number, count: number): { tasks: PlanTask[]; evenings: PlanEvening[] } {
  const next = scatter(seed);
  return {
    tasks: Array.from({ length: count }, (_, index) => {
      const from = Math.floor(next() * 4);
      return {
        id: `t${index}`,
        minutes: 10 + 5 * Math.floor(next() * 12),
        gain: Math.round(next() * 500) / 100,
        notBefore: day(from),
        deadline: day(Math.min(13, from + 2 + Math.floor(next() * 10))),
      };
    }),
    evenings: Array.from({ length: 14 }, (_, index) => ({
      date: day(index),
      minutes: 30 + 15 * Math.floor(next() * 5),
    })),
  };
}

async function plans(): Promise<void> {
  console.log('a plan for 14 evenings: seconds, and whether it is proven to be the best');
  const times: number[] = [];
  for (let seed = 1; seed <= 8; seed++) {
    const { tasks, evenings } = question(seed * 7919, 40);
    let proven = false;
    const took = await seconds(async () => ({ proven } = await proposePlan(tasks, evenings, packExactly)));
    times.push(took);
    console.log(`  40 tasks, question ${seed}: ${took.toFixed(2)} s, ${proven ? 'proven' : 'not proven'}`);
  }
  const { tasks, evenings } = question(7919, 10);
  const few = await seconds(() => proposePlan(tasks, evenings, packExactly));
  const middle = [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? NaN;
  console.log(
    `middle of the 40-task plans: ${middle.toFixed(2)} s, ${(middle / few).toFixed(0)} times a plan of 10 tasks`,
  );
}

/** What a guardian waits for in Work: a slider, a drawing of the term, a plan. */
export async function benchWork(): Promise<void> {
  slider();
  await drawing();
  await plans();
}
