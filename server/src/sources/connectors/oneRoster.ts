import {
  isOneRosterName,
  oneRosterCollections,
  oneRosterNames,
  oneRosterPath,
  oneRosterVersions,
  type OneRosterName,
  type OneRosterVersion,
} from '@cadro/contract';
import type { Connector, Page } from '../connector';
import { SourceError } from '../errors';
import type { Budget } from '../http/budget';
import type { SchoolHttp } from '../http/schoolHttp';
import { translateRow } from '../oneRoster/translate';
import { readRows, withoutNulls } from '../readRows';
import type { Told } from '../translation';
import { listIn, pageSize, walk, type Asked } from './paging';

const members = { id: 'sourcedId', changed: 'dateLastModified' };
const isRefused = (error: unknown): error is SourceError =>
  error instanceof SourceError && error.code === 'source-refuses';

/**
 * Which version of the standard a school speaks: the first that it does not refuse.
 * @throws SourceError what it said to the newest, where it refuses all; and whatever else keeps it from answering.
 */
export async function versionOf(
  doorOf: (version: OneRosterVersion) => SchoolHttp,
): Promise<OneRosterVersion> {
  let refusal: unknown;
  for (const version of oneRosterVersions) {
    try {
      listIn((await doorOf(version).getJson(oneRosterPath('orgs', version), { limit: '1' })).body, 'orgs');
      return version;
    } catch (error) {
      if (!isRefused(error)) throw error;
      refusal ??= error;
    }
  }
  throw refusal;
}

interface Ways {
  readonly version: OneRosterVersion;
  /** Those collections that a school may refuse, or all the others. */
  readonly apart: boolean;
  readonly budget?: Budget;
}

/** OneRoster REST, rostering and gradebook, from the consumer's side. */
export class OneRosterConnector implements Connector {
  readonly collections: readonly string[];
  readonly part: 'roster' | 'demographics';
  /** Set once a school has refused to sort or to filter: it is asked for everything then. */
  private plain = false;

  constructor(
    private readonly http: SchoolHttp,
    private readonly told: Told,
    private readonly ways: Ways,
  ) {
    this.part = ways.apart ? 'demographics' : 'roster';
    this.collections = oneRosterNames(ways);
  }

  async *pages(name: string, since: string | null, known?: ReadonlySet<string>): AsyncGenerator<Page> {
    if (!isOneRosterName(name)) throw new Error(`not a OneRoster collection: ${name}`);
    const read = (from: string | null, offset: number) => this.ask(name, from, offset);
    const kind = {
      schema: oneRosterCollections[name].row,
      members,
      translate: (row: never, told: Told) => translateRow(name, row, told),
    };
    const { budget } = this.ways;
    for await (const { rows, digest } of walk({ read, members, since, known, budget })) {
      yield { ...readRows(rows.map(withoutNulls), kind, this.told), digest };
    }
  }

  private async ask(name: OneRosterName, from: string | null, offset: number): Promise<Asked> {
    const path = oneRosterPath(name, this.ways.version);
    const place = { limit: String(pageSize), offset: String(offset) };
    const order = { sort: members.changed, orderBy: 'asc' };
    const filter = from ? { filter: `${members.changed}>'${from}'` } : {};
    const asked = (query: Record<string, string>) => this.http.getJson(path, query);
    const answer = this.plain
      ? await asked(place)
      : await asked({ ...order, ...filter, ...place }).catch((error: unknown) => {
          if (!isRefused(error) || error.status !== 400) throw error;
          this.plain = true;
          return asked(place);
        });
    return { rows: listIn(answer.body, name), total: answer.total, more: answer.more };
  }
}
