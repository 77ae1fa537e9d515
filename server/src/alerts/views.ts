import type { Alert, AlertQuery, AlertStateName, Child, Language } from '@cadro/contract';
import { alertWords, canEnd, formatsFor, isSilenced, tellAlert } from '@cadro/core';
import { stringify } from 'csv-stringify/sync';
import type { Static } from '@sinclair/typebox';
import type { Db } from '../kit';
import { deliveriesOf } from './delivery/outboxStore';
import { raisedAlerts, silencesOf, type KeptAlert, type SilenceRow } from './store';

type Query = Static<typeof AlertQuery>;

const silencedUntil = (alert: KeptAlert, silences: readonly SilenceRow[], today: string): string | null =>
  silences
    .filter((silence) => isSilenced(alert, [silence], today))
    .map(({ until }) => until)
    .sort()
    .at(-1) ?? null;

/** Words and marks that came stay so: only their news is over. */
const overAt = (alert: KeptAlert): string | null => (canEnd(alert) ? alert.overAt : null);

interface Ask {
  readonly guardianId: string;
  readonly children: readonly Child[];
  readonly language: Language;
  readonly now: Date;
  readonly today: string;
}

/** The words of an alert that a search looks through, as its guardian reads them. */
function wordsOf(alert: KeptAlert, { children, language }: Ask): string {
  const child = children.find(({ id }) => id === alert.studentId);
  const told = tellAlert(language, alert, { timeZone: child?.timeZone ?? 'UTC', lead: alert.told });
  return [
    child?.givenName,
    alert.courseTitle,
    alertWords(language).kinds[alert.kind],
    told.headline,
    ...told.reasons.flatMap(({ headline, facts, source }) => [headline, ...facts, source]),
  ].join(' ');
}

const folded = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase();

async function found(db: Db, ask: Ask, query: Query): Promise<KeptAlert[]> {
  const { guardianId, children, now } = ask;
  const { q, ...where } = query;
  const ids = children.map(({ id }) => id);
  const alerts = await raisedAlerts(db, guardianId, ids, now, where);
  const words = folded(q ?? '')
    .split(/\s+/)
    .filter(Boolean);
  return words.length === 0
    ? alerts
    : alerts.filter((alert) => {
        const text = folded(wordsOf(alert, ask));
        return words.every((word) => text.includes(word));
      });
}

/** A guardian's alerts with what became of them. */
export async function alertViews(db: Db, ask: Ask, query: Query & { id?: string }): Promise<Alert[]> {
  const alerts = await found(db, ask, query);
  const ids = alerts.map(({ id }) => id);
  const [silences, deliveries] = await Promise.all([
    silencesOf(db, [ask.guardianId]),
    ids.length === 0 ? [] : deliveriesOf(db, ask.guardianId, { alertIds: ids, limit: 2000 }),
  ]);
  return alerts.map((alert) => ({
    id: alert.id,
    key: alert.key,
    kind: alert.kind,
    studentId: alert.studentId,
    courseId: alert.courseId,
    courseTitle: alert.courseTitle,
    state: alert.state,
    raisedAt: alert.raisedAt ?? '',
    newsAt: alert.newsAt ?? alert.raisedAt ?? '',
    overAt: overAt(alert),
    reasons: [...alert.reasons],
    leading: [...alert.told],
    titled: [...alert.titled],
    silencedUntil: silencedUntil(alert, silences, ask.today),
    deliveries: deliveries.filter(({ alertId }) => alertId === alert.id),
  }));
}

const columns = {
  en: ['raised', 'news', 'child', 'course', 'about', 'alert', 'facts', 'source', 'state', 'over since'],
  es: ['avisado', 'novedad', 'alumno', 'materia', 'tipo', 'aviso', 'hechos', 'fuente', 'estado', 'terminado'],
} as const;

const stateWords: Readonly<Record<Language, Readonly<Record<AlertStateName, string>>>> = {
  en: { open: 'open', read: 'read', done: 'done' },
  es: { open: 'abierto', read: 'leído', done: 'hecho' },
};

/** A guardian's alerts as CSV, one line each; no cell is a formula to a spreadsheet. */
export async function alertsFile(db: Db, ask: Ask, query: Query): Promise<string> {
  const { language, children } = ask;
  const alerts = await found(db, ask, query);
  const lines = alerts.map((alert) => {
    const child = children.find(({ id }) => id === alert.studentId);
    const timeZone = child?.timeZone ?? 'UTC';
    const told = tellAlert(language, alert, { timeZone, lead: alert.told });
    const { moment } = formatsFor(language, timeZone);
    const ended = (at: string | null) => (at === null ? '' : moment(at));
    return [
      moment(alert.raisedAt ?? ''),
      moment(alert.newsAt ?? ''),
      child?.givenName ?? '',
      alert.courseTitle ?? '',
      alertWords(language).kinds[alert.kind],
      told.headline,
      told.reasons.flatMap(({ facts }) => facts).join(' '),
      [...new Set(told.reasons.map(({ source }) => source))].join('; '),
      stateWords[language][alert.state],
      ended(overAt(alert)),
    ];
  });
  return stringify([[...columns[language]], ...lines], {
    bom: true,
    escape_formulas: true,
    record_delimiter: '\r\n',
  });
}
