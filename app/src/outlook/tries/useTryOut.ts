import { useCallback, useEffect, useRef, useState } from 'react';
import type { CourseRecord } from '@cadro/contract';
import type { Fan, TriedScore } from '@cadro/core';
import type { Answer, Ask, Tried } from '../../workers';
import { startOutlookWorker } from '../../workers';

/** So many ways the rest of a term is drawn, always from the same beginning: the same question has one answer. */
const [draws, seed] = [10_000, 20261021];

/** Under which name the sliders' own try is answered; kept tries have their ids. */
export const current = 'current';

export interface TryOut {
  /** By key: the sliders' own try, and the kept ones. */
  readonly tried: Readonly<Record<string, Tried>>;
  readonly ask: (key: string, scores: readonly TriedScore[], target: number | null) => void;
  /** Share drawn; null while nothing is being drawn. */
  readonly drawing: number | null;
  /** Undefined before the first drawing. */
  readonly fan: Fan | null | undefined;
  readonly simulate: (scores: readonly TriedScore[], target: number | null) => void;
  readonly stop: () => void;
}

/** Asks the worker about one course; answers that a later question has overtaken are not shown. */
export function useTryOut(record: CourseRecord): TryOut {
  const worker = useRef<Worker | null>(null);
  const turn = useRef(0);
  const latest = useRef(new Map<string, number>());
  /** What is asked of the course, by key: a worker that starts later, or anew on another record, is asked it, too. */
  const asked = useRef(new Map<string, Ask>());
  const [tried, setTried] = useState<Readonly<Record<string, Tried>>>({});
  const [drawing, setDrawing] = useState<number | null>(null);
  const [fan, setFan] = useState<Fan | null | undefined>(undefined);
  const post = useCallback((ask: Ask) => worker.current?.postMessage(ask), []);

  useEffect(() => {
    const started = startOutlookWorker();
    worker.current = started;
    started.onmessage = ({ data }: MessageEvent<Answer>) => {
      if (data.is === 'tried') {
        if (latest.current.get(data.key) === data.turn)
          setTried((all) => ({ ...all, [data.key]: data.tried }));
      } else if (latest.current.get('drawing') === data.turn) {
        if (data.is === 'drawing') setDrawing(data.share);
        else {
          setDrawing(null);
          setFan(data.fan);
        }
      }
    };
    started.postMessage({ is: 'open', record } satisfies Ask);
    for (const each of asked.current.values()) started.postMessage(each);
    return () => started.terminate();
  }, [record]);

  const ask = useCallback(
    (key: string, scores: readonly TriedScore[], target: number | null) => {
      latest.current.set(key, ++turn.current);
      const question: Ask = { is: 'try', key, turn: turn.current, scores, target };
      asked.current.set(key, question);
      post(question);
    },
    [post],
  );
  const simulate = useCallback(
    (scores: readonly TriedScore[], target: number | null) => {
      latest.current.set('drawing', ++turn.current);
      setDrawing(0);
      post({ is: 'simulate', turn: turn.current, draws, seed, target, scores });
    },
    [post],
  );
  const stop = useCallback(() => {
    latest.current.set('drawing', ++turn.current);
    setDrawing(null);
    post({ is: 'stop' });
  }, [post]);
  return { tried, ask, drawing, fan, simulate, stop };
}
