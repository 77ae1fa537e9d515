import { meetingRoutes } from '@cadro/contract';
import type { Router } from 'express';
import { mount, newRouter, Produced, type ServerDeps } from '../kit';
import { bookSlot, giveBack, moveMeeting } from './booking';
import { fileOf } from './invitations';
import { addMeeting, changeMeeting, invite, listMeetings, offeredTo, uninvite } from './meetings';

export function meetingRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(router, meetingRoutes.list, async ({ deps, guardianId }) => ({
    meetings: await listMeetings(deps, guardianId),
  }));
  mount(router, meetingRoutes.slots, ({ deps, guardianId }) => offeredTo(deps, guardianId));
  mount(router, meetingRoutes.book, ({ deps, guardianId, params, body }) =>
    bookSlot(deps, guardianId, params.slotId, body.studentId),
  );
  mount(router, meetingRoutes.add, ({ deps, guardianId, body }) => addMeeting(deps, guardianId, body));
  mount(router, meetingRoutes.change, ({ deps, guardianId, params, body }) =>
    changeMeeting(deps, guardianId, params.meetingId, body),
  );
  mount(router, meetingRoutes.move, ({ deps, guardianId, params, body }) =>
    moveMeeting(deps, guardianId, params.meetingId, body),
  );
  mount(router, meetingRoutes.giveBack, ({ deps, guardianId, params, body }) =>
    giveBack(deps, guardianId, params.meetingId, body.version),
  );
  mount(router, meetingRoutes.invite, ({ deps, guardianId, params, body }) =>
    invite(deps, guardianId, params.meetingId, body),
  );
  mount(router, meetingRoutes.uninvite, ({ deps, guardianId, params }) => uninvite(deps, guardianId, params));
  mount(
    router,
    meetingRoutes.file,
    async ({ deps, guardianId, params }) =>
      new Produced(await fileOf(deps, guardianId, params.meetingId), 'meeting.ics'),
  );
  return router;
}
