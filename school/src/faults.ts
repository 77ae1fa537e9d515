import type { Response } from 'express';

export const faultKinds = ['down', 'nonsense', 'cut', 'broken-record'] as const;
export interface Fault {
  readonly school: string;
  readonly collection: string;
  readonly kind: (typeof faultKinds)[number];
  /** From this offset on: `cut` in the middle of a collection. */
  readonly fromOffset?: number;
}

/** Ways in which a school's system can fail, so that one can see what Cadro makes of it. */
export class Faults {
  private faults: readonly Fault[] = [];

  set(faults: readonly Fault[]): void {
    this.faults = faults;
  }

  /** Sends the body, or what the fault makes of it. */
  answer(
    school: string,
    collection: string,
    offset: number,
    response: Response,
    body: Record<string, unknown[]>,
  ): void {
    const fault = this.faults.find(
      (each) => each.school === school && each.collection === collection && offset >= (each.fromOffset ?? 0),
    );
    switch (fault?.kind) {
      case undefined:
        return void response.json(body);
      case 'down':
        return void response.status(503).send('down for the night');
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
