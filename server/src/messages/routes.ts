import { messageRoutes, rolesAllowed } from '@cadro/contract';
import type { Router } from 'express';
import { requireChild } from '../household';
import { mount, newRouter, type ServerDeps } from '../kit';
import { saySender } from './senders';
import { fileOf } from './files';
import { latelyWritten, listThreads, readThread, wholeThread } from './threads';
import { takeBack, writeToTeacher } from './writing';
import { teachersOf } from './store';

export function messageRouter(given: ServerDeps): Router {
  const router = newRouter(given);

  mount(router, messageRoutes.threads, async ({ deps, guardianId }) => {
    return { threads: await listThreads(deps, guardianId) };
  });

  mount(router, messageRoutes.thread, ({ deps, guardianId, params }) =>
    readThread(deps, guardianId, params.threadId),
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
    const mayTalk = rolesAllowed('read-talk').includes(child.role);
    const now = await deps.clock.now();
    const rows = await teachersOf(deps.db, guardianId, child.id, now);
    const lately = mayTalk ? await latelyWritten(deps.db, guardianId, now) : [];
    return {
      teachers: rows.map((row) => ({
        id: row.id,
        name: row.name,
        contactable: row.email !== null,
        courseTitles: row.titles,
        threadId: mayTalk ? row.thread_id : null,
        lately: lately
          .filter(({ teacher_id }) => teacher_id === row.id)
          .map(({ student_id, author, subject, at, answered }) => ({
            ...{ studentId: student_id, author, subject, at: at.toISOString(), answered },
          })),
      })),
    };
  });

  mount(router, messageRoutes.takeBack, ({ deps, guardianId, params }) =>
    takeBack(deps, guardianId, params.messageId),
  );
  mount(router, messageRoutes.send, ({ deps, guardianId, body }) => writeToTeacher(deps, guardianId, body));
  return router;
}
