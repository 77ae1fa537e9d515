import type { Response } from 'express';
import { oneRosterError } from './oneRoster/errors';

export const faultKinds = ['down', 'refused', 'slow', 'nonsense', 'cut', 'broken-record'] as const;
export interface Fault {
  readonly school: string;
  readonly collection: string;
  readonly kind: (typeof faultKinds)[number];
  /** Pages of the collection that still come whole, so that it is cut in its middle. */
  readonly afterPages?: number;
}

/** Ways in which a school's system can fail, so that one can see what Cadro makes of it. */
export class Faults {
  private faults: readonly Fault[] = [];
  private readonly pages = new Map<string, number>();

  set(faults: readonly Fault[]): void {
    this.faults = faults;
    this.pages.clear();
  }

  /** Sends the body, or what the fault makes of it. */
  answer(school: string, collection: string, response: Response, body: Record<string, unknown[]>): void {
    const key = `${school}/${collection}`;
    const pages = this.pages.get(key) ?? 0;
    this.pages.set(key, pages + 1);
    const fault = this.faults.find(
      (each) => `${each.school}/${each.collection}` === key && pages >= (each.afterPages ?? 0),
    );
    switch (fault?.kind) {
      case undefined:
        return void response.json(body);
      case 'down':
        return void response.status(503).send('down for the night');
      case 'refused':
        return void response.status(403).json(oneRosterError('forbidden', 'not for this reader'));
      case 'slow':
        return; // never, as far as anyone will wait
      case 'nonsense':
        return void response.type('html').send('<p>Please sign in</p>');
      case 'cut':
        return void response.socket?.destroy();
      case 'broken-record':
        return void response.json(withBrokenRecord(body));
    }
  }
}

/** The first record of the page loses what it must have. */
const withBrokenRecord = (body: Record<string, unknown[]>) =>
  Object.fromEntries(
    Object.entries(body).map(([name, rows]) => [
      name,
      rows.map((row, index) =>
        index === 0 && row && typeof row === 'object'
          ? { ...row, scoreStatus: 'eaten by a gull', title: 7 }
          : row,
      ),
    ]),
  );
