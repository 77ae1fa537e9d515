import type { NeutralCollection, NeutralRecord } from '../../records';
import type { Batch, BundleRecord, Origin } from './readBundle';

export interface Held extends Origin {
  readonly bundle: string;
  readonly record: NeutralRecord;
}

/** What a table's rows become; of a table that is told as a whole, what is not among them has gone. */
const collectionsOf: Readonly<Record<string, readonly NeutralCollection[]>> = {
  orgs: ['schools'],
  academicSessions: ['terms'],
  users: ['students', 'teachers', 'schoolPeople', 'schoolReaches', 'childFiles'],
  demographics: ['childDemographics'],
  classes: ['courses', 'courseDetails'],
  enrollments: ['enrolments', 'courseTeachers'],
  categories: ['categories', 'courseCategories'],
  lineItems: ['items', 'itemDetails'],
  results: ['results'],
};

const changedAt = ({ at }: NeutralRecord): string => (typeof at === 'string' ? at : '');

/** The records of several bundles, one after the other, held in memory. */
export class HeldRecords {
  private readonly held = new Map<NeutralCollection, Map<string, Held>>();
  /** What has been there at some time: to name it is no fault, though it has gone. */
  private readonly ever = new Set<string>();
  private readonly seen = new Set<string>();

  of(collection: NeutralCollection): ReadonlyMap<string, Held> {
    return this.held.get(collection) ?? new Map<string, Held>();
  }

  /** Whether a record has been told at any time. */
  knew(collection: NeutralCollection, id: string): boolean {
    return this.ever.has(`${collection} ${id}`);
  }

  /** Takes the next rows of a bundle in; after the last of a whole table, what it does not have has gone. */
  take(bundle: string, { name, mode, records, last }: Batch): void {
    for (const each of records) this.put(bundle, mode, each);
    if (!last) return;
    if (mode === 'bulk') for (const collection of collectionsOf[name] ?? []) this.sweep(collection);
    this.seen.clear();
  }

  private put(bundle: string, mode: Batch['mode'], { collection, record, file, row }: BundleRecord): void {
    const key = `${collection} ${record.id}`;
    const kept = this.held.get(collection) ?? new Map<string, Held>();
    this.held.set(collection, kept);
    const before = kept.get(record.id);
    // Twice in one table, or in an addition that comes late: the newer copy stands. A whole table is the truth as it is.
    const isOld = before !== undefined && changedAt(record) < changedAt(before.record);
    if (isOld && (mode === 'delta' || this.seen.has(key))) return;
    this.seen.add(key);
    this.ever.add(key);
    if (record.gone) kept.delete(record.id);
    else kept.set(record.id, { bundle, file, row, record });
  }

  private sweep(collection: NeutralCollection): void {
    const kept = this.held.get(collection);
    for (const id of kept?.keys() ?? []) if (!this.seen.has(`${collection} ${id}`)) kept?.delete(id);
  }
}
