import { DigestContent, type DeliveryFault } from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import { hasPassed, soonest, waitMsAfter } from '@cadro/core';
import {
  type MailCarrier,
  addJobs,
  mailAddress,
  ofAMachine,
  refusedReceiver,
  type Config,
  type Db,
  type Deps,
  type Job,
  type Returned,
  personalDb,
  together,
} from '../../kit';
import { digestById } from '../digests/digestStore';
import { SendError, sendText } from './gateway';
import { alertLetter, alertText, digestLetter, testLetter, type MailText } from './letters';
import { letterWords } from './letterWords';
import { stopToken } from './mailStop';
import {
  dueDeliveries,
  earlierMails,
  sentMail,
  setDelivery,
  takeWaiting,
  type DeliveryRow,
} from './outboxStore';
import { PartlySent, pushedAlert, pushedTest, pushToDevices } from '../push/tell';
import { settingsOf } from '../settings';
import { mailBounced } from '../settingsStore';
import { alertById, type KeptAlert } from '../store';
import { toldChildren, type Settings } from '../watchStore';

export interface DeliverDeps extends Deps {
  readonly config: Config;
  readonly transport: MailCarrier;
}

const mimeId = (config: Config, id: string): string => `<${id}@${config.mailDomain}>`;

/** What is to be said: an alert with its child, a digest of the children that are linked still, a try. */
type Content =
  | {
      readonly about: 'alert';
      readonly alert: KeptAlert;
      readonly child: { givenName: string; timeZone: string } | null;
    }
  | { readonly about: 'digest'; readonly digest: DigestContent; readonly rhythm: 'daily' | 'weekly' }
  | { readonly about: 'test' };

/** An alert without what has passed while it waited; null where nothing else was to be told of it. */
function stillTold(alert: KeptAlert, { told }: DeliveryRow, now: Date): KeptAlert | null {
  const reasons = alert.reasons.filter((reason) => !hasPassed(reason, now.getTime()));
  if (reasons.length === 0 && alert.reasons.length > 0) return null;
  const wanted = told.length === 0 || reasons.some(({ id }) => told.includes(id));
  return wanted || !alert.reasons.some(({ id }) => told.includes(id)) ? { ...alert, reasons } : null;
}

/** Null where nothing may be said any more: the alert is gone or its day is over, or the link to the child has ended. */
async function contentOf(db: Db, row: DeliveryRow, now: Date): Promise<Content | null> {
  switch (row.about) {
    case 'test':
      return { about: 'test' };
    case 'alert': {
      const kept = row.alert_id ? await alertById(db, row.guardian_id, row.alert_id) : undefined;
      const alert = kept && stillTold(kept, row, now);
      if (!alert) return null;
      if (alert.studentId === null) return { about: 'alert', alert, child: null };
      const child = (await toldChildren(db, row.guardian_id, [alert.studentId])).get(alert.studentId);
      return child ? { about: 'alert', alert, child } : null;
    }
    case 'digest': {
      const kept = await digestById(db, row.guardian_id, row.digest_id);
      if (!kept) return null;
      const digest = parse('stored digest', DigestContent, kept.content);
      const ids = digest.children.map(({ studentId }) => studentId);
      const told = await toldChildren(db, row.guardian_id, ids);
      const children = digest.children.filter(({ studentId }) => told.has(studentId));
      return children.length > 0
        ? { about: 'digest', digest: { ...digest, children }, rhythm: kept.rhythm }
        : null;
    }
  }
}

/** Where all mail is stopped: a page, and with one click in a mail program. */
const stopUrl = ({ publicUrl, secret }: Config, guardianId: string): string =>
  `${publicUrl}/mail-stop/${stopToken(secret, guardianId)}`;

function letterOf(deps: DeliverDeps, settings: Settings, row: DeliveryRow, content: Content): MailText {
  const { publicUrl } = deps.config;
  const frame = {
    language: settings.delivery.language,
    publicUrl,
    stopUrl: stopUrl(deps.config, settings.guardianId),
    timeZone: settings.delivery.timeZone,
    figuresInSubject: settings.delivery.figuresInSubject ?? false,
  };
  switch (content.about) {
    case 'alert':
      return alertLetter(content.alert, content.child, row.told, frame);
    case 'digest':
      return digestLetter(content.digest, content.rhythm, frame);
    case 'test':
      return testLetter(frame);
  }
}

async function sendMailTo(
  deps: DeliverDeps,
  settings: Settings,
  row: DeliveryRow,
  content: Content,
): Promise<void> {
  const { config, transport, db } = deps;
  const { subject, text, html } = letterOf(deps, settings, row, content);
  const stop = stopUrl(config, settings.guardianId);
  const thread = (await earlierMails(db, row)).map((id) => mimeId(config, id));
  await transport
    .sendMail({
      messageId: mimeId(config, row.id),
      // Who cannot bring it says so to the envelope's own address.
      envelope: { from: mailAddress(config, 'back', row.id), to: settings.email },
      from: { name: 'Cadro', address: `cadro@${config.mailDomain}` },
      to: { name: settings.name, address: settings.email },
      subject,
      text,
      html,
      headers: {
        ...ofAMachine,
        ...{ 'List-Unsubscribe': `<${stop}>`, 'List-Unsubscribe-Post': 'List-Unsubscribe=One-Click' },
      },
      ...(thread.length > 0 ? { inReplyTo: thread[thread.length - 1] ?? '', references: thread } : {}),
    })
    .catch((cause: unknown) => {
      throw mailError(cause);
    });
}

/** Only who has no such receiver has let the mail bounce; what else is wrong with a mail server can be mended there. */
function mailError(cause: unknown): SendError {
  const refused = refusedReceiver(cause);
  if (refused) {
    const fault = { reason: 'mail-refused', status: refused.status } as const;
    return new SendError(fault, refused.noSuchAddress ? 'bounced' : 'refused', { cause });
  }
  const status = cause instanceof Error && 'responseCode' in cause ? String(cause.responseCode) : null;
  const reason = status === null ? 'mail-away' : 'mail-answered';
  return new SendError({ reason, status }, 'passing', { cause });
}

async function sendTextTo(
  deps: DeliverDeps,
  settings: Settings,
  row: DeliveryRow,
  content: Content,
): Promise<void> {
  const { textGateway, publicUrl } = deps.config;
  const { phone, language, timeZone } = settings.delivery;
  if (!textGateway || !phone) throw new SendError({ reason: 'no-texts', status: null }, 'refused');
  const text =
    content.about === 'alert'
      ? alertText(content.alert, content.child, row.told, { language, publicUrl, timeZone })
      : letterWords[language].test.text;
  await sendText(textGateway, { to: phone, text, key: row.id });
}

/** @returns ids of the devices that have it. */
const pushOut = (
  deps: DeliverDeps,
  settings: Settings,
  row: DeliveryRow,
  content: Content,
): Promise<readonly string[]> => {
  const { delivery, guardianId } = settings;
  const message =
    content.about === 'alert'
      ? pushedAlert(row.id, content.alert, content.child, row.told, delivery)
      : pushedTest(row.id, delivery);
  return pushToDevices(deps, guardianId, message, row.reached);
};

/** @returns ids of the devices that have it, where it goes to devices. */
async function sendBy(...sent: Parameters<typeof pushOut>): Promise<readonly string[]> {
  const [, , { channel }] = sent;
  if (channel === 'push') return pushOut(...sent);
  await (channel === 'mail' ? sendMailTo : sendTextTo)(...sent);
  return [];
}

/** Why its receiver is not to have it after all; null when they are. */
function unwanted(settings: Settings, row: DeliveryRow): DeliveryFault['reason'] | null {
  if (row.channel === 'text')
    return settings.phoneConfirmed === settings.delivery.phone ? null : 'number-not-confirmed';
  if (row.channel === 'push') return settings.pushed ? null : 'no-devices';
  if (!settings.confirmed) return 'not-confirmed';
  if (row.about === 'test') return null;
  if (settings.mailStoppedAt) return 'mail-stopped';
  return settings.mailBouncedAt ? 'came-back-before' : null;
}

/**
 * Sends one thing that waits, once: while it is sent nobody else has it, and whoever sends it again after a crash sends
 * the same message, by its Message-ID or its key. Nothing goes out in quiet hours, to who has stopped mail, or about a
 * child whose link has ended. What fails waits for its next try, longer each time, and after the last one has failed.
 */
export async function deliver(deps: DeliverDeps, id: string): Promise<void> {
  const now = await deps.clock.now();
  await deps.db.transaction(async (trx) => {
    const row = await takeWaiting(trx, id);
    if (row) await setDelivery(trx, id, await outcomeOf(deps, row, now), now);
  });
}

type Outcome = Parameters<typeof setDelivery>[2];

const dropped = (reason: DeliveryFault['reason']): Outcome => ({
  state: 'dropped',
  fault: { reason, status: null },
});

async function outcomeOf(deps: DeliverDeps, row: DeliveryRow, now: Date): Promise<Outcome> {
  const { db } = deps;
  // What its receiver may see at this moment, and no more.
  const theirs = personalDb(db, row.guardian_id);
  const [settings, content] = await together(theirs, [
    () => settingsOf(theirs, row.guardian_id),
    () => contentOf(theirs, row, now),
  ]);
  if (!settings || !content) return dropped('nothing-left');
  const reason = unwanted(settings, row);
  if (reason) return dropped(reason);
  const quietUntil = soonest(now.getTime(), settings.delivery);
  if (row.about !== 'test' && quietUntil > now.getTime()) return { not_before: new Date(quietUntil) };
  try {
    const reached = await sendBy(deps, settings, row, content);
    return { state: 'sent', fault: null, tries: row.tries + 1, reached };
  } catch (error) {
    if (!(error instanceof SendError)) throw error;
    return failure(deps, row, error, now);
  }
}

async function failure({ db }: DeliverDeps, row: DeliveryRow, error: SendError, now: Date): Promise<Outcome> {
  const tries = row.tries + 1;
  const reached = error instanceof PartlySent ? error.reached : row.reached;
  const told = { fault: error.fault, tries, reached };
  const waitMs = error.kind === 'passing' ? waitMsAfter(tries) : null;
  if (waitMs !== null) return { ...told, not_before: new Date(now.getTime() + waitMs) };
  if (error.kind !== 'bounced') return { ...told, state: reached.length > 0 ? 'sent' : 'failed' };
  await mailBounced(db, row.guardian_id, now);
  return { ...told, state: 'bounced' };
}

/**
 * A mail that had gone out came back: what was told is as it is for one that is refused at once.
 * @returns whether the id is of such a mail.
 */
export async function deliveryReturned(
  { db, clock }: Deps,
  id: string,
  { status, noSuchAddress }: Returned,
): Promise<boolean> {
  const now = await clock.now();
  return db.transaction(async (trx) => {
    const row = await sentMail(trx, id);
    if (row?.state !== 'sent') return row !== undefined;
    const state = noSuchAddress ? 'bounced' : 'failed';
    await setDelivery(trx, id, { state, fault: { reason: 'mail-returned', status } }, now);
    if (noSuchAddress) await mailBounced(trx, row.guardian_id, now);
    return true;
  });
}

/** The queue's wish that something goes out. When it is tried again is kept with it: the queue only takes it there. */
export const deliveryJob = (deliveryId: string): Job => ({
  task: 'deliver',
  payload: { deliveryId },
  key: `deliver:${deliveryId}`,
});

/** Puts everything that waits and may go out now into the queue. */
export async function wantDeliveries({ db, clock }: Deps): Promise<void> {
  await addJobs(db, (await dueDeliveries(db, await clock.now())).map(deliveryJob));
}
