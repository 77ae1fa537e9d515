import { createHash } from 'node:crypto';
import { MessageChannel, type MessagePort } from 'node:worker_threads';
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
import { Apart, startOfDay, threadProgram, type Deps } from '../../kit';
import { historiesOf } from '../histories';
import { watchesOf, type Watch } from '../watchStore';

export interface RehearsalQuestion {
  /** The same for the same histories and days. */
  readonly key: string;
  readonly histories: readonly ChildHistory[];
  readonly days: readonly number[];
  readonly rules: AlertRules;
  /** Takes how much is done, 0 to 1. */
  readonly port: MessagePort;
}

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

/** Runs rules over the past in threads of their own, which start with the first question. */
export class Rehearser {
  private readonly thread = new Apart(threadProgram(__dirname, 'rehearse.worker'), {
    ...{ memoryMb: 512, patienceMs: 60_000, mostWaiting: 50 },
  });

  /**
   * What the rules would have told a guardian this term, each day on what was known then.
   * @param progress is told how much of it is done, 0 to 1.
   */
  async rehearse(
    { db, clock }: Deps,
    guardianId: string,
    rules: AlertRules,
    progress: (done: number) => void,
  ): Promise<Answer> {
    const now = await clock.now();
    const watches = await watchesOf(db, { guardianIds: [guardianId] });
    const historyOf = await historiesOf(
      db,
      watches.map(({ studentId }) => studentId),
      now,
    );
    const histories = watches.map(historyOf);
    const began = termBegan(histories, now);
    const days = rehearsalDays(began.getTime(), now.getTime());
    const answer = await this.ask({ histories, days, rules }, progress);
    return said(answer, watches, { began, now });
  }

  private async ask(
    question: Omit<RehearsalQuestion, 'key' | 'port'>,
    progress: (done: number) => void,
  ): Promise<Rehearsal> {
    const { port1, port2 } = new MessageChannel();
    port1.on('message', (done: number) => progress(done));
    const key = createHash('sha1')
      .update(JSON.stringify([question.days, question.histories]))
      .digest('hex');
    try {
      const whole: RehearsalQuestion = { ...question, key, port: port2 };
      return await this.thread.run<Rehearsal>(whole, { gives: [port2] });
    } finally {
      port1.close();
    }
  }

  close(): Promise<void> {
    return this.thread.close();
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
