import { wholeCollections, type WholeCollection } from '@cadro/contract';
import type { Db } from '../kit';
import { countTold, toldKey } from '../records';
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

/** Keeps a reading from taking much of a school's record away, unless somebody has said that it may. */
export class ShrinkGuard {
  /** What has gone in this reading. What was gone before it is told again and again, and goes no further. */
  private readonly gone = new Map<WholeCollection, number>();

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
    for (const what of wholeCollections) {
      const keys = records.flatMap((each) =>
        each.collection === what && isGone(each) ? [toldKey(what, each.record)] : [],
      );
      if (keys.length > 0) await this.takeAway(what, keys);
    }
  }

  private async takeAway(what: WholeCollection, keys: readonly string[]): Promise<void> {
    const { db, source } = this;
    const before = this.gone.get(what) ?? 0;
    const gone = before + (await countTold(db, source.id, what, keys));
    this.gone.set(what, gone);
    if (gone < askFrom.count) return;
    const of = before + (await countTold(db, source.id, what));
    if (!isMuch(gone, of)) return;
    await tellShrinks(db, source.id, { what, gone, of });
    throw new SourceError('source-shrinks', `${gone} of ${of} ${what} would be gone`, false);
  }
}
