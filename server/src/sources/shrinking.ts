import { wholeCollections, type WholeCollection } from '@cadro/contract';
import type { Db } from '../kit';
import { countTold } from '../records';
import { SourceError } from './errors';
import type { Page } from './connector';
import { tellShrinks, type SourceRow } from './store';

/** More than this share of what is known, and more than a few, does not go without being asked for. */
const askFrom = { share: 0.2, count: 10 };
export const isMuch = (gone: number, known: number): boolean =>
  gone >= askFrom.count && gone > askFrom.share * known;

type Records = Page['records'];

// A score that is open is none that was taken away: work that was just given out has those.
const isGone = ({ record }: Records[number]): boolean =>
  record.gone || record['removed'] === true || record['told_active'] === false;

const isWhole = (collection: string): collection is WholeCollection =>
  (wholeCollections as readonly string[]).includes(collection);

/** Keeps a reading from taking much of a school's record away, unless somebody has said that it may. */
export class ShrinkGuard {
  private readonly gone = new Map<WholeCollection, number>();
  private readonly known = new Map<WholeCollection, number>();

  constructor(
    private readonly db: Db,
    private readonly source: Pick<SourceRow, 'id' | 'may_shrink'>,
  ) {}

  /**
   * @param records what is about to be written.
   * @throws SourceError `source-shrinks` where, with what has gone in this reading, too much would be gone.
   */
  async letThrough(records: Records): Promise<void> {
    if (this.source.may_shrink) return;
    for (const each of records)
      if (isWhole(each.collection) && isGone(each))
        this.gone.set(each.collection, (this.gone.get(each.collection) ?? 0) + 1);
    for (const [what, gone] of this.gone) {
      // A few may always go, and are not counted against anything.
      if (gone < askFrom.count) continue;
      const of = this.known.get(what) ?? (await countTold(this.db, this.source.id, what));
      this.known.set(what, of);
      if (!isMuch(gone, of)) continue;
      await tellShrinks(this.db, this.source.id, { what, gone, of });
      throw new SourceError('source-shrinks', `${gone} of ${of} ${what} would be gone`, false);
    }
  }
}
