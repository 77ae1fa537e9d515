import fc from 'fast-check';
import { Budget, usualLimits } from '../http/budget';
import { pageSize, walk } from './paging';

interface Row {
  readonly id: number;
  readonly at: string;
}
const instant = (minute: number): string => new Date(Date.UTC(2026, 9, 1, 0, minute)).toISOString();

/** A source that sorts by change (or not), gives pages of its own size, and changes while it is read. */
class Source {
  pages = 0;
  constructor(
    public rows: Row[],
    private readonly size: number,
    private readonly meanwhile: (source: Source) => void,
    private readonly options: { sorts: boolean; counts: boolean; filters?: boolean } = {
      sorts: true,
      counts: true,
    },
  ) {}

  read = (since: string | null, offset: number) => {
    if (this.pages++ > 2000) throw new Error('the walk does not end');
    const fitting = this.rows.filter(
      ({ at }) => since === null || this.options.filters === false || at > since,
    );
    if (this.options.sorts) fitting.sort((a, b) => a.at.localeCompare(b.at) || a.id - b.id);
    const rows = fitting.slice(offset, offset + this.size);
    this.meanwhile(this);
    return Promise.resolve({ rows, total: this.options.counts ? fitting.length : null, more: null });
  };
}

const members = { id: 'id', changed: 'at' };
async function seen(source: Source, since: string | null = null): Promise<Map<number, string>> {
  const last = new Map<number, string>();
  for await (const { rows } of walk({ read: source.read, members, since }))
    for (const row of rows as Row[]) last.set(row.id, row.at);
  return last;
}
const rowsAt = (minutes: readonly number[]): Row[] =>
  minutes.map((minute, id) => ({ id, at: instant(minute) }));
const minutes = fc.uniqueArray(fc.integer({ min: 0, max: 90 }), { maxLength: 60 });
const stays = () => undefined;

describe('walking a collection', () => {
  it('sees every record, though any of them may change while it is read', async () => {
    await fc.assert(
      fc.asyncProperty(
        minutes,
        fc.integer({ min: 2, max: 7 }),
        fc.array(fc.nat(), { maxLength: 12 }),
        async (at, size, touched) => {
          let clock = 100;
          const source = new Source(rowsAt(at), size, (each) => {
            const pick = touched.pop();
            const row = pick === undefined ? undefined : each.rows[pick % Math.max(1, each.rows.length)];
            if (row) each.rows = each.rows.map((r) => (r === row ? { ...r, at: instant(clock++) } : r));
          });
          const found = await seen(source);
          // What changed after its page was read is the next pass's; nothing is never seen at all.
          expect([...found.keys()].sort((a, b) => a - b)).toEqual(at.map((_minute, id) => id));
        },
      ),
    );
  });

  it.each([
    ['a source that does not sort', { sorts: false, counts: true }],
    ['a source that does not count', { sorts: true, counts: false }],
  ])('%s', async (_name, options) => {
    const at = Array.from({ length: 500 }, (_each, index) => (index * 7) % 31);
    expect((await seen(new Source(rowsAt(at), pageSize, stays, options))).size).toBe(500);
  });

  it('gets past more records of one instant than a page holds', async () => {
    const found = await seen(new Source(rowsAt(Array<number>(450).fill(5)), pageSize, stays));
    expect(found.size).toBe(450);
  });

  it('misses none of one instant that fills many pages, though they change while it reads', async () => {
    let clock = 100;
    const source = new Source(rowsAt(Array<number>(5000).fill(5)), pageSize, (each) => {
      // At each answer for a while the first of them changes: all that follow move up by one.
      if (clock < 160)
        each.rows = each.rows.map((row) => (row.id === clock - 100 ? { ...row, at: instant(clock) } : row));
      clock += 1;
    });
    expect((await seen(source)).size).toBe(5000);
  });

  it('reads what it knows once, however many pages of one instant there are', async () => {
    const source = new Source(rowsAt(Array<number>(450).fill(5)), pageSize, stays);
    const known = new Set<string>();
    for await (const { digest } of walk({ read: source.read, members, since: null })) known.add(digest);
    const before = source.pages;
    for await (const page of walk({ read: source.read, members, since: null, known }))
      expect(page).toBeDefined();
    expect(source.pages - before).toBeLessThan(before);
  });

  it('asks only for what changed since', async () => {
    const found = await seen(new Source(rowsAt([1, 2, 3, 4]), 2, stays), instant(2));
    expect([...found.keys()]).toEqual([2, 3]);
  });

  it.each([
    ['ignores what it was asked for, in order', true, true],
    ['ignores what it was asked for, and has no order or count', false, false],
  ])('sees every record of a source that %s', async (_name, sorts, counts) => {
    const at = Array.from({ length: 500 }, (_each, index) => (index * 7) % 31);
    const source = new Source(rowsAt(at), 90, stays, { sorts, counts, filters: false });
    expect((await seen(source, instant(10))).size).toBe(500);
  });

  it('ends where a source gives its one page again', async () => {
    const rows = rowsAt([1, 2, 3]);
    const read = () => Promise.resolve({ rows: [rows[2], rows[0]], total: null, more: null });
    const pages: unknown[] = [];
    for await (const page of walk({ read, members, since: null })) pages.push(page);
    expect(pages).toHaveLength(1);
  });

  it.each([
    [
      'the same full page again and again',
      () => Array<Row>(pageSize).fill({ id: 1, at: instant(5) }),
      'source-nonsense',
    ],
    ['ever new pages', (page: number) => rowsAt(Array<number>(pageSize).fill(page)), 'source-too-much'],
  ])('gives up on a source that gives %s', async (_name, rowsOf, code) => {
    let page = 0;
    const read = () => Promise.resolve({ rows: rowsOf((page += 1)), total: null, more: true });
    const budget = new Budget({ ...usualLimits, pages: 100 }, () => 0);
    const walked = async () => {
      for await (const { rows } of walk({ read, members, since: null, budget }))
        expect(rows).toHaveLength(pageSize);
    };
    await expect(walked()).rejects.toMatchObject({ code });
  });
});
