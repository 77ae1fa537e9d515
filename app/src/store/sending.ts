import { api, tags } from './api';
import { isProblem } from './asking';
import { leftOutbox, refusedFromOutbox, type Waiting } from './outbox';
import { sessionEnded, sessionOf } from './session';
import type { RootState, store } from './store';

type Dispatch = typeof store.dispatch;

/** Whether the server has said what becomes of it: if not, it goes on waiting. */
async function send(
  { key, method, url, body }: Waiting,
  dispatch: Dispatch,
  state: () => RootState,
): Promise<boolean> {
  const session = sessionOf(state());
  const answer = await fetch(url, {
    ...{ method, credentials: 'same-origin' },
    headers: { 'content-type': 'application/json', 'idempotency-key': `"${key}"` },
    ...(body === null ? {} : { body: JSON.stringify(body) }),
  }).catch(() => null);
  if (answer?.ok) dispatch(leftOutbox(key));
  if (!answer || answer.status >= 500) return false;
  if (answer.ok) return true;
  const said: unknown = await answer.json().catch(() => null);
  const problem = isProblem(said) ? said : null;
  if (problem?.code === 'not-signed-in') dispatch(sessionEnded(session));
  if (!problem || problem.code === 'not-signed-in' || problem.code === 'under-way') return false;
  dispatch(refusedFromOutbox({ key, code: problem.code }));
  return true;
}

let sending: Promise<void> | null = null;

async function sendAll(personId: string, dispatch: Dispatch, state: () => RootState): Promise<void> {
  const mine = state().outbox.waiting.filter((each) => each.personId === personId && each.refused === null);
  let sent = 0;
  // In the order they were written; what does not get through lets nothing else pass.
  for (const each of mine) {
    if (!(await send(each, dispatch, state))) break;
    sent += 1;
  }
  if (sent > 0) dispatch(api.util.invalidateTags([...tags]));
}

/** Sends what waits, one round at a time. */
export const sendWaiting =
  (personId: string) =>
  (dispatch: Dispatch, state: () => RootState): Promise<void> => {
    sending ??= sendAll(personId, dispatch, state).finally(() => {
      sending = null;
    });
    return sending;
  };
