import { useEffect, useState } from 'react';
import type { Rehearsal } from '@cadro/contract';
import type { AlertRules } from '@cadro/core';
import { rehearseRules } from '../api';

/** A slider that is still moving is not asked about. */
const restMs = 250;

export interface Trying {
  /** Null while these rules have no answer yet. */
  readonly answer: Rehearsal | null;
  /** How far the next one is, 0 to 1; null when none is on its way. */
  readonly done: number | null;
  readonly failed: boolean;
}

const begun: Trying = { answer: null, done: 0, failed: false };

/** What rules would have told, asked anew whenever they change; an answer to older rules is never shown as newer. */
export function useRehearsal(rules: AlertRules): Trying {
  const asked = JSON.stringify(rules);
  const [trying, setTrying] = useState<Trying & { readonly of: string }>({ ...begun, of: asked });
  useEffect(() => {
    const stop = new AbortController();
    const { signal } = stop;
    const say = (change: Partial<Trying>) => {
      if (!signal.aborted)
        setTrying((before) => ({ ...(before.of === asked ? before : begun), ...change, of: asked }));
    };
    const start = setTimeout(() => {
      say({ done: 0, failed: false });
      rehearseRules(JSON.parse(asked) as AlertRules, (done) => say({ done }), signal).then(
        (answer) => say({ answer, done: null }),
        () => say({ done: null, failed: true }),
      );
    }, restMs);
    return () => {
      clearTimeout(start);
      stop.abort();
    };
  }, [asked]);
  return trying.of === asked ? trying : begun;
}
