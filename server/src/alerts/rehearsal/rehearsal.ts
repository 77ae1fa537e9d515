import { MessageChannel } from 'node:worker_threads';
import type { Rehearsal as Answer } from '@cadro/contract';
import type { AlertRules } from '@cadro/core';
import {
  type ChildHistory,
  dateIn,
  dayMs,
  type Rehearsal,
  rehearsalDays,
  tellAlert,
  termOn,
} from '@cadro/core';
import { startOfDay, threadKind, type ServerDeps } from '../../kit';
import { wholeOf } from '../../records';
import { historiesOf } from '../histories';
import { watchesOf, type Watch } from '../watchStore';
import type * as program from './rehearse.worker';
import type { RehearsalQuestion } from './rehearse.worker';

const monthDays = 30;
/** A term is looked at as far back as this. */
const mostDays = 130;

/** When the term began in which the children's courses stand: the first of them. */
function termBegan(histories: readonly ChildHistory[], now: Date): Date {
  const starts = histories.flatMap(({ timeZone, courses }) =>
    courses.flatMap(({ terms }) => {
      const term = termOn(terms, dateIn(timeZone, now));
      return term ? [startOfDay(term.startsOn, timeZone).getTime()] : [];
    }),
  );
  const earliest = now.getTime() - mostDays * dayMs;
  return new Date(Math.max(earliest, Math.min(now.getTime() - monthDays * dayMs, ...starts)));
}

/** Runs rules over the past apart. */
const rehearsing = threadKind<typeof program>(__dirname, 'rehearse.worker', {
  ...{ memoryMb: 512, patienceMs: 60_000, mostOfOne: 3, mostWaiting: 50 },
});

/**
 * What the rules would have told a guardian this term, each day on what was known then.
 * @param progress is told how much of it is done, 0 to 1.
 * @param until ends it where nobody waits for it any more, so that what is asked instead has its turn.
 */
export async function rehearse(
  { db, clock, threads }: Pick<ServerDeps, 'db' | 'clock' | 'threads'>,
  guardianId: string,
  rules: AlertRules,
  progress: (done: number) => void,
  until: AbortSignal,
): Promise<Answer> {
  const now = await clock.now();
  const watches = await watchesOf(db, { guardianIds: [guardianId] });
  const historyOf = await historiesOf(db, wholeOf(watches.map(({ studentId }) => studentId)), now);
  const histories = watches.map(historyOf);
  const began = termBegan(histories, now);
  const days = rehearsalDays(began.getTime(), now.getTime());
  const { port1, port2 } = new MessageChannel();
  port1.on('message', (done: number) => progress(done));
  try {
    const question: RehearsalQuestion = { histories, days, rules, port: port2 };
    const answer = await threads.of(rehearsing).run('run', question, {
      whose: guardianId,
      gives: [port2],
      until,
    });
    return said(answer, watches, { began, now });
  } finally {
    port1.close();
  }
}

function said(
  { tellings, slides }: Rehearsal,
  watches: readonly Watch[],
  { began, now }: { readonly began: Date; readonly now: Date },
): Answer {
  const delivery = watches[0]?.settings.delivery;
  const zone = delivery?.timeZone ?? 'UTC';
  const zoneOf = (studentId: string | null) =>
    watches.find((watch) => watch.studentId === studentId)?.timeZone ?? zone;
  const monthAgo = now.getTime() - monthDays * dayMs;
  return {
    fromOn: dateIn(zone, began),
    toOn: dateIn(zone, now),
    // What would have reached the guardian: each alert once, news of it having joined, and none that waits for a digest.
    lastMonth: new Set(
      tellings.flatMap(({ key, atMs, inDigest }) => (atMs > monthAgo && !inDigest ? [key] : [])),
    ).size,
    tellings: tellings.map(
      ({ key, kind, studentId, courseId, courseTitle, atMs, again, reasons, inDigest }) => ({
        key,
        kind,
        studentId: studentId ?? '',
        at: new Date(atMs).toISOString(),
        again,
        headline: tellAlert(
          delivery?.language ?? 'en',
          { key, kind, studentId, courseId, courseTitle, reasons: [...reasons] },
          { timeZone: zoneOf(studentId) },
        ).headline,
        rules: [...new Set(reasons.map(({ rule }) => rule))],
        inDigest,
      }),
    ),
    slides: slides.map(({ studentId, courseId, courseTitle, shownMs, ...slide }) => ({
      ...{ studentId, courseId, courseTitle, shownAt: new Date(shownMs).toISOString() },
      ...{ from: slide.from, to: slide.to, outOf: slide.outOf, decimals: slide.decimals },
      daysEarlier: slide.daysEarlier,
    })),
  };
}
