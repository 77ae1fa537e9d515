import { courseAnswer } from '@cadro/core';
import { courseRecord, type Shape } from './courseRecord';
import { medianMs } from './measure';

const sizes = [20, 60, 200, 1000] as const;
const shapes: readonly Shape[] = [
  { method: 'weighted', drops: false },
  { method: 'points', drops: false },
  { method: 'weighted', drops: true },
  { method: 'points', drops: true },
  { method: 'standards', drops: false },
];

/**
 * The whole answer about a course (three figures, impacts, trend, what moved it over the term, one target), as
 * a ratio to reading the same record with JSON.parse in the same run. Parsing grows with the data, so a ratio
 * that stays means that the answer does too.
 */
export function benchCore(): void {
  console.log('the whole answer about one course, as a ratio to JSON.parse of its record');
  console.log('course               items   record kB   parse ms   answer ms   ratio');
  let worst = 0;
  for (const shape of shapes) {
    for (const items of sizes) {
      const record = courseRecord(items, shape);
      const text = JSON.stringify(record);
      const question = { targets: [record.policy.outOf ?? 100], since: '2026-08-01T00:00:00Z' };
      const [parseMs, answerMs] = medianMs([() => JSON.parse(text), () => courseAnswer(record, question)]);
      const ratio = answerMs / parseMs;
      worst = Math.max(worst, ratio);
      const name = `${shape.method}${shape.drops ? ', with drops' : ''}`;
      console.log(
        [
          name.padEnd(20),
          String(items).padStart(6),
          (text.length / 1024).toFixed(0).padStart(11),
          parseMs.toFixed(3).padStart(10),
          answerMs.toFixed(3).padStart(11),
          ratio.toFixed(2).padStart(7),
        ].join(' '),
      );
    }
  }
  console.log(`greatest ratio: ${worst.toFixed(2)}`);
}
