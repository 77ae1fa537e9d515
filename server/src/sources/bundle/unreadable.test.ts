import { randomBytes } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { csv, manifest, packed, smallSchool, type Tables } from '../../testing/bundles';
import { usualArchiveLimits } from './archive';
import { openApart } from './openApart';
import { openBundle, type Batch } from './readBundle';
import { reckonBundles } from './reckon';

/* What of a bundle cannot be read, row by row or at all: each with its reason, and nothing else with it. */
const asked = { asOf: '2026-10-21T18:00:00Z', zone: 'America/Halifax' };
const reckon = (...paths: string[]) => reckonBundles(paths, asked);

const whole = {
  'manifest.csv': manifest(smallSchool),
  ...Object.fromEntries(
    Object.entries(smallSchool as Tables).map(([name, rows]) => [`${name}.csv`, csv(rows)]),
  ),
};

describe('a row that cannot be taken', () => {
  const odd = async (name: string, text: string) =>
    (
      await reckon(
        await packed({
          ...Object.fromEntries(
            Object.entries(smallSchool as Tables).map(([each, rows]) => [`${each}.csv`, csv(rows)]),
          ),
          'manifest.csv': manifest(smallSchool),
          [`${name}.csv`]: text,
        }),
      )
    ).problems;
  const heading = 'sourcedId,lineItemSourcedId,studentSourcedId,scoreStatus,score,scoreDate\n';
  const good = 'x1,quiz,odo,fully graded,17,2026-09-22\n';
  it.each<[string, string, string, number, string | null, string]>([
    [
      'names a class that is not there',
      'enrollments',
      csv([
        ...smallSchool.enrollments,
        { sourcedId: 'e9', classSourcedId: 'sails', userSourcedId: 'odo', role: 'student' },
      ]),
      5,
      'e9',
      'a class that is not there: sails',
    ],
    [
      'names a child that is not there',
      'results',
      `${heading}${good}x9,quiz,ida,fully graded,1,2026-09-22\n`,
      3,
      'x9',
      'a student that is not there: ida',
    ],
    [
      'names work that is not there',
      'results',
      `${heading}x9,knot,odo,fully graded,1,2026-09-22\n${good}`,
      2,
      'x9',
      'a line item that is not there: knot',
    ],
    [
      'has less than no points',
      'results',
      `${heading}${good}x9,quiz,una,fully graded,-4,2026-09-22\n`,
      3,
      'x9',
      '/score is none of what it can be',
    ],
    [
      'has a status nobody knows',
      'results',
      `${heading}x9,quiz,una,eaten,4,2026-09-22\n${good}`,
      2,
      'x9',
      '/scoreStatus is none of what it can be',
    ],
    [
      'has no id',
      'results',
      `${heading},quiz,una,fully graded,4,2026-09-22\n${good}`,
      2,
      'row 2',
      'sourcedId',
    ],
    [
      'has a day that no calendar has',
      'results',
      `${heading}x9,quiz,una,fully graded,4,2026-02-30\n${good}`,
      2,
      'x9',
      '/scoreDate',
    ],
    [
      'has the character of number 0',
      'results',
      `${heading}x\u00009,quiz,una,fully graded,4,2026-09-22\n${good}`,
      2,
      'row 2',
      'cannot be kept',
    ],
    [
      'has more fields than the heading',
      'results',
      `${heading}x9,quiz,una,fully graded,4,2026-09-22,7\n${good}`,
      2,
      'x9',
      'has 7 fields where the heading has 6',
    ],
    [
      'opens a quotation and never closes it',
      'results',
      `${heading}x9,"quiz,una,fully graded,4,2026-09-22\n${good}`,
      2,
      'x9',
      'never closed',
    ],
    [
      'has ten million letters in a cell',
      'results',
      `${heading}x9,${randomBytes(5e6).toString('hex')},una,fully graded,4,2026-09-22\n${good}`,
      2,
      'x9',
      'longer than',
    ],
  ])('%s', async (_name, table, text, row, sourcedId, reason) => {
    expect(await odd(table, text)).toEqual([
      {
        bundle: expect.stringMatching(/\.zip$/),
        file: `${table}.csv`,
        row,
        sourcedId,
        reason: expect.stringContaining(reason),
      },
    ]);
  });

  it('never keeps those after it from being read', async () => {
    const broken = Array.from(
      { length: 20 },
      (_each, index) => `b${index},"quiz,una,fully graded,4,2026-09-22\n`,
    ).join('');
    const problems = await odd('results', `${heading}${broken}${good}`);
    expect(problems).toHaveLength(20);
    expect(problems.map(({ row }) => row)).toEqual(Array.from({ length: 20 }, (_each, index) => index + 2));
  });

  it('holds formulas and markup as the text they are', async () => {
    expect(
      await odd(
        'lineItems',
        csv(smallSchool.lineItems.map((row) => ({ ...row, title: '=HYPERLINK("http://x")<script>' }))),
      ),
    ).toEqual([]);
  });
});

describe('a bundle that cannot be read at all', () => {
  const patched = async (patch: (zip: Buffer) => Buffer) => {
    const path = await packed(whole);
    writeFileSync(path, patch(readFileSync(path)));
    return path;
  };
  it.each<[string, () => Promise<string>, string]>([
    [
      'is none',
      async () => patched(() => Buffer.from('no zip at all, but long enough to be looked at')),
      'not-a-zip',
    ],
    ['is empty', async () => patched(() => Buffer.alloc(0)), 'not-a-zip'],
    ['is cut', async () => patched((zip) => zip.subarray(0, zip.length - 200)), 'not-a-zip'],
    ['is not there', async () => '/nowhere/at/all.zip', 'not-a-zip'],
    [
      'leads outside of itself',
      async () =>
        patched((zip) => Buffer.from(zip.toString('latin1').replaceAll('users.csv', '../rs.csv'), 'latin1')),
      'unsafe',
    ],
    [
      'has a lock',
      async () =>
        patched((zip) => {
          const copy = Buffer.from(zip);
          for (let at = copy.indexOf('PK\u0001\u0002'); at >= 0; at = copy.indexOf('PK\u0001\u0002', at + 4))
            copy.writeUInt16LE(copy.readUInt16LE(at + 8) | 1, at + 8);
          return copy;
        }),
      'encrypted',
    ],
    [
      'has a link in it',
      async () =>
        patched((zip) => {
          const copy = Buffer.from(zip);
          copy.writeUInt32LE((0o120777 << 16) >>> 0, copy.indexOf('PK\u0001\u0002') + 38);
          return copy;
        }),
      'unsafe',
    ],
    [
      'has more files than any bundle',
      async () =>
        packed(Object.fromEntries(Array.from({ length: 1001 }, (_each, index) => [`${index}.csv`, 'x']))),
      'too-many-files',
    ],
    ['has no tables', async () => packed({ 'readme.txt': 'x' }), 'no-tables'],
    ['has its tables two folders deep', async () => packed({ 'a/b/users.csv': 'x' }), 'no-tables'],
    ['is two of them', async () => packed({ 'a/users.csv': 'x', 'b/users.csv': 'x' }), 'several-bundles'],
    [
      'is small and unpacks to 100 MB',
      async () => packed({ ...whole, 'users.csv': Buffer.alloc(1e8) }),
      'too-big',
    ],
  ])('%s', async (_name, make, code) => {
    await expect(reckon(await make())).rejects.toMatchObject({ name: 'BundleError', code });
  });

  it('is larger than it may be', async () => {
    const path = await packed(whole);
    const limits = { ...usualArchiveLimits, bytes: 100 };
    await expect(openBundle(path, { zone: 'UTC', now: asked.asOf }, limits)).rejects.toMatchObject({
      code: 'too-big',
    });
  });
});

describe('a bundle in a thread of its own', () => {
  const told = { zone: asked.zone, now: asked.asOf };

  it('is read as it is beside it', async () => {
    const path = await packed(whole);
    const [apart, beside] = [await openApart(path, told), await openBundle(path, told)];
    const batchesOf = async (from: AsyncIterable<Batch>) => {
      const found: Batch[] = [];
      for await (const batch of from) found.push(batch);
      return found;
    };
    const batches = await batchesOf(beside.batches());
    expect(batches.flatMap(({ records }) => records).length).toBeGreaterThan(5);
    expect(await batchesOf(apart.batches())).toEqual(batches);
    // From its beginning as often as it is asked.
    expect(await batchesOf(apart.batches())).toEqual(batches);
    expect([[...apart.modes], apart.faults]).toEqual([[...beside.modes], beside.faults]);
    beside.close();
    await apart.close();
  });

  it.each([
    ['takes too long', { memoryMb: 512, patienceMs: 1 }],
    ['takes too much memory', { memoryMb: 6, patienceMs: 60_000 }],
  ])('%s', async (_name, limits) => {
    const path = await packed(whole);
    await expect(openApart(path, told, limits)).rejects.toMatchObject({
      name: 'BundleError',
      code: 'too-big',
    });
  });

  it('says why it cannot be read', async () => {
    const path = await packed({ 'readme.txt': 'x' });
    await expect(openApart(path, told)).rejects.toMatchObject({ name: 'BundleError', code: 'no-tables' });
  });
});
