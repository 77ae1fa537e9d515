import { noteRoutes } from '@cadro/contract';
import type { Router } from 'express';
import { mount, newRouter, type ServerDeps } from '../kit';
import { changeNote, dropNote, listNotes, writeNote } from './notes';
import { sayWant, wantsOf } from './wants';

export function noteRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(router, noteRoutes.list, ({ deps, guardianId, query }) => listNotes(deps, guardianId, query));
  mount(router, noteRoutes.write, ({ deps, guardianId, body }) => writeNote(deps, guardianId, body));
  mount(router, noteRoutes.change, ({ deps, guardianId, params, body }) =>
    changeNote(deps, guardianId, params.noteId, body),
  );
  mount(router, noteRoutes.drop, ({ deps, guardianId, params }) => dropNote(deps, guardianId, params.noteId));
  mount(router, noteRoutes.wants, ({ deps, guardianId, params }) => wantsOf(deps, guardianId, params));
  mount(router, noteRoutes.sayWant, ({ deps, guardianId, params, body }) =>
    sayWant(deps, guardianId, params, body),
  );
  return router;
}
