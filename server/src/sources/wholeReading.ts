import { wholeCollections, type WholeCollection } from '@cadro/contract';
import { forgetTold, putTold, toldKey } from '../records';
import type { Db } from '../kit';
import type { Page } from './connector';
import { SourceError } from './errors';
import { clearUnseen } from './problemStore';
import { tellShrinks, tellWhole, type SourceRow } from './store';
import type { Run } from './taking';
import { muchUntold, tableOf, takeAwayUntold } from './untold';

/**
 * A reading of all that a source has, which is then compared with what is known: what the source names no longer has gone
 * without a word, and what was wrong and does not come again is wrong no more.
 */
export class WholeReading {
  /** Of what has come so broken that it cannot be told which record it is, nothing is taken away. */
  private readonly unsure = new Set<WholeCollection>();

  private constructor(
    private readonly db: Db,
    private readonly source: Pick<SourceRow, 'id' | 'may_shrink'>,
  ) {}

  static async begin(db: Db, source: Pick<SourceRow, 'id' | 'may_shrink'>): Promise<WholeReading> {
    await forgetTold(db, source.id);
    return new WholeReading(db, source);
  }

  /** Puts down what a page names, and be it a row that cannot be read. */
  async takeNote(name: string, { records, broken }: Pick<Page, 'records' | 'broken'>): Promise<void> {
    for (const collection of wholeCollections) {
      const isTable = tableOf[collection] === name;
      const keys = records.flatMap((each) =>
        each.collection === collection && !each.record.gone ? [toldKey(collection, each.record)] : [],
      );
      if (isTable && collection !== 'results') keys.push(...broken.map(({ externalId }) => externalId));
      else if (isTable && broken.length > 0) this.unsure.add(collection);
      if (keys.length > 0) await putTold(this.db, this.source.id, collection, keys);
    }
  }

  /**
   * Compares, when all of it is in.
   * @throws SourceError `source-shrinks` where too much would be gone: somebody has to say that it may.
   */
  async compare(run: Run): Promise<void> {
    const { db, source } = this;
    const told = wholeCollections.filter((each) => !this.unsure.has(each));
    const much = source.may_shrink ? null : await muchUntold(db, source.id, told);
    if (much !== null) {
      await tellShrinks(db, source.id, much, { whole: true });
      const { what, gone, of } = much;
      throw new SourceError('source-shrinks', `${gone} of ${of} ${what} are named no longer`, false);
    }
    await takeAwayUntold(run, told);
    await forgetTold(db, source.id);
    await clearUnseen(db, source.id, run.now);
    await tellWhole(db, source.id, run.now);
  }
}
