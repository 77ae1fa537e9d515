import { courseAnswer } from '@cadro/core';
import { readOffers } from '@cadro/core/offers';
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

/** Texts that make a careless pattern try again from every place. */
const hostile = [
  ...['no ', '1', '1/1/', 'redo by Friday, or ', 'You may redo it by Friday for half credit. '],
  ...[' ', 'may be ', 'hand in the ', 'la mitad de la nota hasta el '],
];

/** A comment eight times as long, as a ratio to one eighth of it: 8 where time grows with the text, 64 where with its square. */
export function benchReader(): void {
  console.log('\nreading a comment of 20,000 characters, as a ratio to one of 2,500 of the same');
  let worst = 0;
  for (const piece of hostile) {
    const read = (length: number) => () =>
      readOffers({
        text: piece.repeat(Math.ceil(length / piece.length)).slice(0, length),
        writtenAt: '2026-10-21T12:00:00Z',
        timeZone: 'America/Halifax',
        lang: piece.includes('mitad') ? 'es' : 'en',
      });
    const [shortMs, longMs] = medianMs([read(2500), read(20_000)]);
    worst = Math.max(worst, longMs / shortMs);
    console.log(`${JSON.stringify(piece).padEnd(48)} ${(longMs / shortMs).toFixed(1).padStart(6)}`);
  }
  console.log(`greatest ratio: ${worst.toFixed(1)}`);
}
