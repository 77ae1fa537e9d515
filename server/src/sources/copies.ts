import type { Page } from './connector';

/** Which copies of records are the newest of a reading: a source may give an older one after a newer. */
export class Copies {
  private readonly newest = new Map<string, string>();

  /** Those of a page of which no newer copy has come. */
  newestOf(records: Page['records']): Page['records'] {
    return records.filter(({ collection, record, changed }) => {
      if (changed === undefined || changed === null) return true;
      const key = `${collection} ${record.id}`;
      const before = this.newest.get(key);
      if (before !== undefined && before > changed) return false;
      this.newest.set(key, changed);
      return true;
    });
  }
}
