import { createHash } from 'node:crypto';
import type { MessagePort } from 'node:worker_threads';
import {
  factsOfDays,
  rehearse,
  type AlertRules,
  type ChildFacts,
  type ChildHistory,
  type Rehearsal,
} from '@cadro/core';

export interface RehearsalQuestion {
  readonly histories: readonly ChildHistory[];
  readonly days: readonly number[];
  readonly rules: AlertRules;
  /** Takes how much is done, 0 to 1. */
  readonly port: MessagePort;
}

/** The facts of the last questions: another slider asks of the same days. */
const kept = new Map<string, readonly (readonly ChildFacts[])[]>();
const mostKept = 4;

function factsOf({ histories, days, port }: RehearsalQuestion): readonly (readonly ChildFacts[])[] {
  const key = createHash('sha1')
    .update(JSON.stringify([days, histories]))
    .digest('hex');
  const known = kept.get(key);
  if (known) return known;
  const facts = histories.map((history, index) =>
    factsOfDays(history, days, (done) => {
      port.postMessage((index + done / days.length) / histories.length);
    }),
  );
  kept.set(key, facts);
  for (const old of [...kept.keys()].slice(0, -mostKept)) kept.delete(old);
  return facts;
}

export const run = (question: RehearsalQuestion): Rehearsal => {
  const answer = rehearse(factsOf(question), question.rules);
  question.port.close();
  return answer;
};
