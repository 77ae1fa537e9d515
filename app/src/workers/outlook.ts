import type { CourseRecord } from '@cadro/contract';
import { simulate, tryOut, withScores, type Fan, type TriedScore } from '@cadro/core';

/*
 * The what-if of a course, beside the page: the same core as the server's, so that a slider never waits for a figure
 * nor the page for the core.
 */
export type Ask =
  | { readonly is: 'open'; readonly record: CourseRecord }
  | {
      readonly is: 'try';
      readonly key: string;
      readonly turn: number;
      readonly scores: readonly TriedScore[];
      readonly target: number | null;
    }
  | {
      readonly is: 'simulate';
      readonly turn: number;
      readonly draws: number;
      readonly seed: number;
      readonly target: number | null;
      readonly scores: readonly TriedScore[];
    }
  | { readonly is: 'stop' };

export interface Tried {
  readonly posted: number | null;
  readonly display: number | null;
  readonly letter: string | null;
  readonly ifLeft: number | null;
  readonly ifMadeUp: number | null;
  readonly toCome: number;
  readonly needed: {
    readonly status: 'secured' | 'reachable' | 'out-of-reach';
    readonly x: number | null;
  } | null;
}

export type Answer =
  | { readonly is: 'tried'; readonly key: string; readonly turn: number; readonly tried: Tried }
  | { readonly is: 'drawing'; readonly turn: number; readonly share: number }
  | { readonly is: 'drawn'; readonly turn: number; readonly fan: Fan | null };

/** Answers questions about one course. `tell` is called with each answer; a simulation gives way between its steps. */
export function answerer(tell: (answer: Answer) => void): (ask: Ask) => void {
  let record: CourseRecord | null = null;
  let drawing = 0;
  return (ask) => {
    if (ask.is === 'open') record = ask.record;
    if (ask.is === 'stop') drawing++;
    if (!record) return;
    if (ask.is === 'try') {
      const answer = tryOut(record, ask.scores, ask.target === null ? [] : [ask.target]);
      const { posted, display, letter, ifLeft, ifMadeUp, toCome, needed } = answer;
      const tried = { posted, display, letter, ifLeft, ifMadeUp, toCome, needed: needed[0] ?? null };
      tell({ is: 'tried', key: ask.key, turn: ask.turn, tried });
    }
    if (ask.is === 'simulate') {
      const mine = ++drawing;
      const { turn, draws, seed, target, scores } = ask;
      const drawn = simulate({ record: withScores(record, scores), draws, seed, target });
      const step = () => {
        if (mine !== drawing) return;
        const next = drawn.next();
        if (next.done) tell({ is: 'drawn', turn, fan: next.value });
        else {
          tell({ is: 'drawing', turn, share: next.value });
          setTimeout(step, 0); // lets 'stop' and the next slider in
        }
      };
      step();
    }
  };
}
