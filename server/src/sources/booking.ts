import { bookingPath, bookingScope } from '@cadro/contract';
import { houseOf, type Config, type Db } from '../kit';
import { markSlot, slotPlace } from '../records';
import { Budget, usualLimits } from './http/budget';
import { doorTo } from './http/door';
import * as store from './store';

export interface BookingDeps {
  readonly db: Db;
  readonly config: Pick<Config, 'secret' | 'sourceTimeoutMs' | 'privateSources'>;
}

/** A booking asks for a token and for the time: no more. */
const limits = { ...usualLimits, pages: 4, bytes: 1_000_000, answerBytes: 100_000 };

/** What a school says to a family that wants one of its times: it has it; somebody was faster; it is not there any more. */
export type BookingAnswer = 'done' | 'taken' | 'gone';
const meant: Readonly<Record<number, BookingAnswer>> = {
  200: 'done',
  201: 'done',
  204: 'done',
  409: 'taken',
};

/**
 * Takes a time that a school offers for a child, or gives it back; asked twice is asked once. What the school answers is
 * written down at once, and read with the rest later.
 * @throws SourceError when the school is down or refuses.
 */
export async function askForSlot(
  { db, config }: BookingDeps,
  { slotId, studentId }: { readonly slotId: string; readonly studentId: string },
  how: 'take' | 'give',
): Promise<BookingAnswer> {
  const house = houseOf(db);
  const place = await slotPlace(house, slotId, studentId);
  const source = place && (await store.findSource(house, place.source_id));
  if (!place || !source) return 'gone';
  const door = doorTo(config, source, new Budget(limits, () => performance.now()))([bookingScope]);
  const method = how === 'take' ? 'POST' : 'DELETE';
  const body = { studentId: place.student_external_id };
  const status = await door.tell(method, bookingPath(place.external_id), body, [409, 404, 410]);
  const answer = meant[status] ?? 'gone';
  const took = how === 'take' && answer === 'done';
  if (answer !== 'gone')
    await markSlot(house, slotId, {
      taken: took || answer === 'taken',
      booked_for: took ? place.student_external_id : null,
    });
  return answer;
}
