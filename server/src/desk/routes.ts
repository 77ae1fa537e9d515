import { deskRoutes } from '@cadro/contract';
import type { Router } from 'express';
import { tickAgreed } from '../followups';
import { HttpProblem, mount, newRouter, type Served, type ServerDeps } from '../kit';
import { deskOf, keepPiece, openDesk, say, type Open } from './desk';
import * as store from './store';

type Does = 'read-desk' | 'keep-desk' | 'write-talk' | 'do-work';
interface Asked {
  readonly deps: ServerDeps;
  readonly guardianId: string;
  readonly params: { readonly studentId: string };
}

/** Opens the desk for what is to be done on it, does it, and answers the desk as it is then. */
const on =
  <A extends Asked>(does: Does, work: (asked: A, open: Open) => Promise<boolean | void>) =>
  async (asked: A) => {
    const { deps, guardianId, params } = asked;
    const open = await openDesk(deps.db, guardianId, params.studentId, does);
    if ((await work(asked, open)) === false) throw new HttpProblem('not-found');
    return deskOf(deps, open);
  };

/** What the child is proud of. */
function pieces(router: Served): void {
  mount(
    router,
    deskRoutes.keep,
    on('keep-desk', ({ deps, body }, open) => keepPiece(deps, open, body)),
  );
  mount(
    router,
    deskRoutes.change,
    on('keep-desk', ({ deps, params, body }, { owner }) =>
      store.changePiece(deps.db, owner, params.pieceId, body),
    ),
  );
  mount(
    router,
    deskRoutes.drop,
    on('keep-desk', ({ deps, params }, { owner }) => store.dropPiece(deps.db, owner, params.pieceId)),
  );
}

/** The child's desk: it alone writes on it; a guardian tells it that something has been seen. */
export function deskRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(
    router,
    deskRoutes.read,
    on('read-desk', async () => undefined),
  );
  mount(
    router,
    deskRoutes.say,
    on('keep-desk', ({ deps, body }, open) => say(deps, open, body)),
  );
  mount(
    router,
    deskRoutes.unsay,
    on('keep-desk', ({ deps, params }, { owner }) => store.dropWord(deps.db, owner, params.wordId)),
  );
  mount(
    router,
    deskRoutes.seen,
    on('write-talk', async ({ deps, params }, { owner, author }) =>
      store.putSeen(deps.db, owner, params.wordId, { at: await deps.clock.now(), by: author }),
    ),
  );
  mount(
    router,
    deskRoutes.tick,
    on('keep-desk', ({ deps, params, body }, { owner, author }) =>
      tickAgreed(deps, { ...owner, author }, params.followUpId, body),
    ),
  );
  pieces(router);
  mount(
    router,
    deskRoutes.share,
    on('do-work', async ({ deps, body: { what, shown } }, { owner, own }) => {
      // Each side says what it shows, and nothing of what the other does.
      if (own !== (what === 'aims')) throw new HttpProblem('forbidden');
      await store.putShare(deps.db, owner, what, shown);
    }),
  );
  return router;
}
