import type { DeliveryFault } from '@cadro/contract';
import { soonest, waitMsAfter } from '@cadro/core';
import {
  addJobs,
  groupBy,
  mailAddress,
  ofAMachine,
  PutDown,
  refusedReceiver,
  type Config,
  type Deps,
  type Job,
  type MailCarrier,
  type Returned,
} from '../../kit';
import { lettersOf, type Content, type Letter } from './contents';
import { SendError, sendText } from './gateway';
import { alertLetter, alertText, digestLetter, testLetter, type MailText } from './letters';
import { letterWords } from './letterWords';
import { stopToken } from './mailStop';
import {
  dueDeliveries,
  earlierMails,
  putOutcomes,
  sentMail,
  takeWaiting,
  type DeliveryRow,
  type Outcome,
} from './outboxStore';
import { PartlySent, pushedAlert, pushedTest, pushToDevices } from '../push/tell';
import { mailBounced } from '../settingsStore';
import type { Settings } from '../watchStore';

export interface DeliverDeps extends Deps {
  readonly config: Config;
  readonly transport: MailCarrier;
}

const mimeId = (config: Config, id: string): string => `<${id}@${config.mailDomain}>`;

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
  earlier: readonly string[],
): Promise<void> {
  const { config, transport } = deps;
  const { subject, text, html } = letterOf(deps, settings, row, content);
  const stop = stopUrl(config, settings.guardianId);
  const thread = earlier.map((id) => mimeId(config, id));
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
async function sendBy(
  deps: DeliverDeps,
  settings: Settings,
  row: DeliveryRow,
  content: Content,
  earlier: readonly string[],
): Promise<readonly string[]> {
  if (row.channel === 'push') return pushOut(deps, settings, row, content);
  if (row.channel === 'mail') await sendMailTo(deps, settings, row, content, earlier);
  else await sendTextTo(deps, settings, row, content);
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

/** So many go out at the same time. */
const lanes = 4;

/**
 * Sends what of some waits, each once: while it is sent nobody else has it, and whoever sends it again after a crash sends
 * the same message, by its Message-ID or its key. Nothing goes out in quiet hours, to who has stopped mail, or about a
 * child whose link has ended. What fails waits for its next try, longer each time, and after the last one has failed.
 * @throws what went wrong with one for another reason than that it could not be sent, when the others are out.
 */
export async function deliver(deps: DeliverDeps, ids: readonly string[]): Promise<void> {
  const { db, clock } = deps;
  const now = await clock.now();
  const broken: unknown[] = [];
  await db.transaction(async (trx) => {
    const rows = await takeWaiting(trx, ids);
    if (rows.length === 0) return;
    const letterOf = await lettersOf(db, rows, now);
    const earlier = await earlierMails(
      db,
      rows.flatMap((row) => row.alert_id ?? []),
    );
    const outcomes = new PutDown<Outcome>((some) => putOutcomes(db, some, now));
    // What is about one alert goes out one after the other: each hangs on the last.
    const waiting = groupBy(rows, (row) => row.alert_id ?? row.id).entries();
    const lane = async () => {
      for (const [about, some] of waiting) {
        const thread = [...(earlier.get(about) ?? [])];
        for (const row of some)
          try {
            const came = await outcomeOf(deps, row, letterOf(row), { thread, now });
            outcomes.add({ id: row.id, ...came });
            if (row.channel === 'mail' && came.state === 'sent') thread.push(row.id);
          } catch (error) {
            broken.push(error);
          }
      }
    };
    await Promise.all(Array.from({ length: lanes }, lane));
    await outcomes.done();
  });
  if (broken.length > 0) throw broken[0];
}

type Came = Omit<Outcome, 'id'>;

const dropped = (reason: DeliveryFault['reason']): Came => ({
  state: 'dropped',
  fault: { reason, status: null },
});

async function outcomeOf(
  deps: DeliverDeps,
  row: DeliveryRow,
  { settings, content }: Letter,
  at: { readonly thread: readonly string[]; readonly now: Date },
): Promise<Came> {
  const { now } = at;
  if (!settings || !content) return dropped('nothing-left');
  const reason = unwanted(settings, row);
  if (reason) return dropped(reason);
  const quietUntil = soonest(now.getTime(), settings.delivery);
  if (row.about !== 'test' && quietUntil > now.getTime()) return { not_before: new Date(quietUntil) };
  try {
    const reached = await sendBy(deps, settings, row, content, at.thread);
    return { state: 'sent', fault: null, tries: row.tries + 1, reached };
  } catch (error) {
    if (!(error instanceof SendError)) throw error;
    return failure(deps, row, error, now);
  }
}

async function failure({ db }: DeliverDeps, row: DeliveryRow, error: SendError, now: Date): Promise<Came> {
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
    await putOutcomes(trx, [{ id, state, fault: { reason: 'mail-returned', status } }], now);
    if (noSuchAddress) await mailBounced(trx, row.guardian_id, now);
    return true;
  });
}

/** The queue's wish that something goes out. When it is tried again is kept with it: the queue only takes it there. */
export const deliveryJob = (deliveryId: string): Job => ({
  task: 'deliver',
  payload: { deliveryIds: [deliveryId] },
  key: `deliver:${deliveryId}`,
});

/** So many that were put out one after the other go out together. */
const inOneJob = 50;

/** Puts everything that waits and may go out now into the queue; what is there already joins what was put out beside it. */
export async function wantDeliveries({ db, clock }: Deps): Promise<void> {
  const due = await dueDeliveries(db, await clock.now());
  const jobs = [...groupBy(due, ({ seq }) => Math.floor(seq / inOneJob))].map(([part, some]): Job => ({
    task: 'deliver',
    payload: { deliveryIds: some.map(({ id }) => id) },
    key: `deliveries:${part}`,
  }));
  await addJobs(db, jobs);
}
