/** A record with everything it was over time; its last version by now is what the school says today. */
export interface Versioned<Row> {
  readonly id: string;
  readonly versions: { readonly at: string; readonly row: Row }[];
}

export interface Current<Row> {
  readonly id: string;
  readonly changedAt: string;
  readonly row: Row;
}

export type Rows = Map<string, Versioned<Record<string, unknown>>>;

/** One school's records by collection: OneRoster's and the feed's. */
export class Records {
  private readonly collections = new Map<string, Rows>();

  /** The same records, to which more is put than to these. Rows are never written to, so both share them. */
  copy(): Records {
    const copy = new Records();
    for (const [name, rows] of this.collections)
      copy.collections.set(
        name,
        new Map([...rows].map(([id, { versions }]) => [id, { id, versions: [...versions] }])),
      );
    return copy;
  }

  put(collection: string, id: string, at: string, row: Record<string, unknown>): void {
    const rows = this.collections.get(collection) ?? new Map<string, Versioned<Record<string, unknown>>>();
    this.collections.set(collection, rows);
    const known = rows.get(id);
    if (!known) {
      rows.set(id, { id, versions: [{ at, row }] });
      return;
    }
    known.versions.push({ at, row });
    known.versions.sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
  }

  /** Everything a record was, oldest first. */
  versions(collection: string, id: string): readonly { at: string; row: Record<string, unknown> }[] {
    return this.collections.get(collection)?.get(id)?.versions ?? [];
  }

  /** What the school says at an instant, oldest change first. */
  current(collection: string, now: string): Current<Record<string, unknown>>[] {
    const found: Current<Record<string, unknown>>[] = [];
    for (const { id, versions } of this.collections.get(collection)?.values() ?? []) {
      const version = versions.filter(({ at }) => at <= now).at(-1);
      if (version) found.push({ id, changedAt: version.at, row: version.row });
    }
    return found.sort((a, b) =>
      a.changedAt < b.changedAt ? -1 : a.changedAt > b.changedAt ? 1 : a.id < b.id ? -1 : 1,
    );
  }
}
