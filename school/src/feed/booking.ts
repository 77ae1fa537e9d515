import { bookingScope } from '@cadro/contract';
import express, { Router, type Response } from 'express';
import { requireScope } from '../access';
import type { Faults } from '../faults';
import type { Manners } from '../manners';
import type { Simulation } from '../simulation';

const path = '/feed/v1/slots/:id/booking';

/** A time as the school says it of itself. */
interface Slot extends Record<string, unknown> {
  readonly taken: boolean;
  readonly bookedFor: string | null;
  readonly startsAt: string;
}

/**
 * Where families take the times that a school offers, and give them back. Whoever asks first has it; asked again it is
 * theirs still. Who has one is told to nobody else.
 */
export function bookingRouter(
  school: string,
  simulation: Simulation,
  { faults, manners }: { readonly faults: Faults; readonly manners: Manners },
): Router {
  const router = Router();
  const slotOf = (id: string): Slot | undefined =>
    simulation.says(school, 'slots').find((each) => each.id === id && !each.row['deleted'])?.row as
      Slot | undefined; // the school's own rows
  const answer = (response: Response, id: string, taken: boolean): void =>
    faults.answer(school, 'booking', response, { slots: [{ id, taken }] });
  const booked = (body: unknown): string =>
    String((body as { studentId?: unknown } | undefined)?.studentId ?? '');
  router.use(path, requireScope(school, bookingScope, manners), express.json());
  router
    .route(path)
    .post(({ params: { id }, body }, response) => {
      const [slot, student] = [slotOf(id), booked(body)];
      if (!slot) return void response.status(404).json({ error: 'no such time' });
      if (student === '') return void response.status(400).json({ error: 'for which student?' });
      if (slot.taken && slot.bookedFor !== student)
        return void response.status(409).json({ error: 'another family has it' });
      if (slot.startsAt <= simulation.now) return void response.status(410).json({ error: 'it is over' });
      if (!slot.taken) simulation.add(school, 'slots', id, { ...slot, taken: true, bookedFor: student });
      answer(response, id, true);
    })
    .delete(({ params: { id }, body }, response) => {
      const [slot, student] = [slotOf(id), booked(body)];
      if (!slot) return void response.status(404).json({ error: 'no such time' });
      if (slot.taken && slot.bookedFor !== student)
        return void response.status(409).json({ error: 'another family has it' });
      if (slot.taken) simulation.add(school, 'slots', id, { ...slot, taken: false, bookedFor: null });
      answer(response, id, false);
    });
  return router;
}
