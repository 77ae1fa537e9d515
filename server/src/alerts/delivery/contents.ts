import { DigestContent } from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import { hasPassed } from '@cadro/core';
import { restrictedAmong } from '../../household';
import { houseOf, personalDb, together, type Db } from '../../kit';
import { digestsByIds, type Rhythm } from '../digests/digestStore';
import { alertsByIds, type KeptAlert } from '../store';
import { settingsAmong, toldChildren, type LinkedChild, type Settings } from '../watchStore';
import type { DeliveryRow } from './outboxStore';

/** What is to be said: an alert with its child, a digest of the children that are linked still, a try. */
export type Content =
  | {
      readonly about: 'alert';
      readonly alert: KeptAlert;
      readonly child: { givenName: string; timeZone: string } | null;
    }
  | { readonly about: 'digest'; readonly digest: DigestContent; readonly rhythm: Rhythm }
  | { readonly about: 'test' };

/** Something that is to go out, as its receiver may have it at this moment. */
export interface Letter {
  readonly settings: Settings | null;
  /** Null where nothing may be said any more: the alert is gone or its day is over, or the link to the child has ended. */
  readonly content: Content | null;
}

/** An alert without what has passed while it waited; null where nothing else was to be told of it. */
function stillTold(alert: KeptAlert, { told }: DeliveryRow, now: Date): KeptAlert | null {
  const reasons = alert.reasons.filter((reason) => !hasPassed(reason, now.getTime()));
  if (reasons.length === 0 && alert.reasons.length > 0) return null;
  const wanted = told.length === 0 || reasons.some(({ id }) => told.includes(id));
  return wanted || !alert.reasons.some(({ id }) => told.includes(id)) ? { ...alert, reasons } : null;
}

/** What was kept of a delivery when it was put out. */
type Kept =
  | { readonly about: 'alert'; readonly alert: KeptAlert }
  | { readonly about: 'digest'; readonly digest: DigestContent; readonly rhythm: Rhythm }
  | { readonly about: 'test' }
  /** What was kept is not what it should be: whoever writes the letter is told. */
  | { readonly about: 'broken'; readonly error: unknown };

function keptDigest({ content, rhythm }: { readonly content: unknown; readonly rhythm: Rhythm }): Kept {
  try {
    return { about: 'digest', digest: parse('stored digest', DigestContent, content), rhythm };
  } catch (error) {
    return { about: 'broken', error };
  }
}

async function keptOf(db: Db, rows: readonly DeliveryRow[]): Promise<(row: DeliveryRow) => Kept | null> {
  const of = (name: 'alert_id' | 'digest_id') =>
    rows.flatMap(({ guardian_id: guardianId, [name]: id }) => (id === null ? [] : [{ guardianId, id }]));
  const [alerts, digests] = await together(db, [
    () => alertsByIds(db, of('alert_id')),
    () => digestsByIds(db, of('digest_id')),
  ]);
  return (row) => {
    if (row.about === 'test') return { about: 'test' };
    if (row.about === 'alert') {
      const alert = alerts.get(row.alert_id ?? '');
      return alert ? { about: 'alert', alert } : null;
    }
    const digest = digests.get(row.digest_id ?? '');
    return digest ? keptDigest(digest) : null;
  };
}

const childrenIn = (kept: Kept | null): readonly string[] => {
  if (kept?.about === 'alert') return kept.alert.studentId === null ? [] : [kept.alert.studentId];
  return kept?.about === 'digest' ? kept.digest.children.map(({ studentId }) => studentId) : [];
};

function contentOf(
  row: DeliveryRow,
  kept: Kept | null,
  told: (studentId: string) => LinkedChild | undefined,
  now: Date,
): Content | null {
  if (kept?.about === 'alert') {
    const alert = stillTold(kept.alert, row, now);
    if (!alert) return null;
    if (alert.studentId === null) return { about: 'alert', alert, child: null };
    const child = told(alert.studentId);
    return child ? { about: 'alert', alert, child } : null;
  }
  if (kept?.about === 'broken') throw kept.error;
  if (kept?.about !== 'digest') return kept;
  const children = kept.digest.children.filter(({ studentId }) => told(studentId));
  return children.length > 0 ? { ...kept, digest: { ...kept.digest, children } } : null;
}

interface Read {
  readonly letterOf: (row: DeliveryRow) => Letter;
  /** The children that what was kept is about. */
  readonly studentIds: readonly string[];
}

/** Letters as whoever asks the database sees them: four queries, however many. */
async function read(db: Db, rows: readonly DeliveryRow[], now: Date): Promise<Read> {
  const keptFor = await keptOf(db, rows);
  const kept = new Map(rows.map((row) => [row.id, keptFor(row)]));
  const about = rows.flatMap((row) =>
    childrenIn(kept.get(row.id) ?? null).map((studentId) => ({ guardianId: row.guardian_id, studentId })),
  );
  const [settings, told] = await together(db, [
    () =>
      settingsAmong(
        db,
        rows.map(({ guardian_id: guardianId }) => guardianId),
      ),
    () => toldChildren(db, about),
  ]);
  return {
    letterOf: (row) => ({
      settings: settings.get(row.guardian_id) ?? null,
      content: contentOf(row, kept.get(row.id) ?? null, (id) => told(row.guardian_id, id), now),
    }),
    studentIds: about.map(({ studentId }) => studentId),
  };
}

/** What each of several deliveries comes to for its receiver: what they may see at this moment, and no more. */
export async function lettersOf(
  db: Db,
  rows: readonly DeliveryRow[],
  now: Date,
): Promise<(row: DeliveryRow) => Letter> {
  const house = houseOf(db);
  const { letterOf, studentIds } = await read(house, rows, now);
  const restricted = new Set(await restrictedAmong(house, studentIds));
  const theirs = new Map<string, Read['letterOf']>();
  // From whom the school holds something back, what goes out is what they see.
  for (const guardianId of restricted) {
    const own = rows.filter((row) => row.guardian_id === guardianId);
    if (own.length === 0) continue;
    const seen = await read(personalDb(house, guardianId), own, now);
    for (const row of own) theirs.set(row.id, seen.letterOf);
  }
  return (row) => (theirs.get(row.id) ?? letterOf)(row);
}
