import { messageRoutes } from '@cadro/contract';
import type { Router } from 'express';
import { requireChild } from '../household';
import { mount, newRouter, type ServerDeps } from '../kit';
import { saySender } from './senders';
import { fileOf } from './files';
import { letterOnPaper } from './paper/paper';
import { listThreads, readThread, wholeThread } from './threads';
import { takeBack, writeToSeveral, writeToTeacher } from './writing';
import { receiversFor } from './receivers';

export function messageRouter(given: ServerDeps): Router {
  const router = newRouter(given);

  mount(router, messageRoutes.threads, async ({ deps, guardianId }) => {
    return { threads: await listThreads(deps, guardianId) };
  });

  mount(router, messageRoutes.thread, ({ deps, guardianId, params, query }) =>
    readThread(deps, guardianId, params.threadId, query.before ?? null),
  );

  mount(router, messageRoutes.file, ({ deps, guardianId, params }) => fileOf(deps, guardianId, params));
  mount(router, messageRoutes.sender, async ({ deps, guardianId, params, body }) => {
    // Of no thread of theirs there is nothing to say.
    await wholeThread(deps, guardianId, params.threadId);
    await saySender(deps, guardianId, params, body.known);
    return wholeThread(deps, guardianId, params.threadId);
  });

  mount(router, messageRoutes.teachers, async ({ deps, guardianId, params }) => {
    const child = await requireChild(deps.db, guardianId, params.studentId, 'read-record');
    return { teachers: await receiversFor(deps, guardianId, child) };
  });

  mount(router, messageRoutes.takeBack, ({ deps, guardianId, params }) =>
    takeBack(deps, guardianId, params.messageId),
  );
  mount(router, messageRoutes.send, ({ deps, guardianId, body }) => writeToTeacher(deps, guardianId, body));
  mount(router, messageRoutes.paper, ({ deps, guardianId, body }) => letterOnPaper(deps, guardianId, body));
  mount(router, messageRoutes.sendSeveral, ({ deps, guardianId, body }) =>
    writeToSeveral(deps, guardianId, body),
  );
  return router;
}
