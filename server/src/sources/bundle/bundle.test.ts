import fc from 'fast-check';
import iconv from 'iconv-lite';
import { bundleOf, csv, manifest, packed, smallSchool, type Tables } from '../../testing/bundles';
import { reckonBundles } from './reckon';

/* Bundles of files, read without a database: the same rows however they are written. */
const asked = { asOf: '2026-10-21T18:00:00Z', zone: 'America/Halifax' };
const reckon = (...paths: string[]) => reckonBundles(paths, asked);
const figures = async (...paths: string[]) => {
  const { students, problems } = await reckon(...paths);
  return {
    problems,
    of: new Map(
      students.flatMap(({ sourcedId, classes }) =>
        classes.map((each) => [`${sourcedId} ${each.sourcedId}`, each]),
      ),
    ),
  };
};

const expected = [
  {
    sourcedId: 'odo',
    classes: [
      { sourcedId: 'knots', posted: 51, ifLeft: 51, looseEnds: [{ itemId: 'sheet', kind: 'missing' }] },
    ],
  },
  {
    sourcedId: 'una',
    classes: [
      { sourcedId: 'knots', posted: 100, ifLeft: 60, looseEnds: [{ itemId: 'sheet', kind: 'overdue' }] },
    ],
  },
];
const without = <T extends object>(rows: readonly T[], ...names: string[]) =>
  rows.map((row) =>
    Object.fromEntries(Object.entries(row).filter(([name]) => !names.includes(name))),
  ) as Record<string, string | number>[];

/** The same school as 1.1 writes it: roles with the people, no flags. */
const first: Tables = {
  ...Object.fromEntries(Object.entries(smallSchool).filter(([name]) => name !== 'roles')),
  users: smallSchool.users.map((user) => ({
    ...user,
    role: user.sourcedId === 'teach' ? 'teacher' : 'student',
    orgSourcedIds: 'school',
  })),
};

describe('a bundle', () => {
  it('gives every child’s figures in every class', async () => {
    expect(await reckon(await bundleOf(smallSchool))).toEqual({ students: expected, problems: [] });
  });

  it('of 1.1 gives the same', async () => {
    expect(await reckon(await bundleOf(first))).toEqual({ students: expected, problems: [] });
  });

  const files = (tables: Tables, newline = '\n', folder = '') =>
    Object.fromEntries(
      Object.entries(tables).map(([name, rows]) => [`${folder}${name}.csv`, csv(rows, newline)] as const),
    );
  it('is the same however its files are written', async () => {
    const shuffled = (order: readonly number[]) =>
      Object.fromEntries(
        Object.entries(smallSchool as Tables).map(([name, rows]) => {
          const columns = [...new Set(rows.flatMap((row) => Object.keys(row)))];
          const sorted = [...columns].sort(
            (a, b) => (order[columns.indexOf(a)] ?? 0) - (order[columns.indexOf(b)] ?? 0),
          );
          return [
            name,
            rows.map((row) =>
              Object.fromEntries([
                ['extra', 'a, "b"\nc'],
                ...sorted.map((column) => [column, row[column] ?? '']),
              ]),
            ),
          ];
        }),
      ) as Tables;
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.nat(100), { minLength: 8, maxLength: 8 }),
        fc.constantFrom('\n', '\r\n'),
        fc.constantFrom('', 'export/'),
        fc.constantFrom(
          'utf-8',
          'utf-8 with a mark',
          'utf-16le',
          'utf-16be',
          'utf-16le without a mark',
          'windows-1252',
        ),
        async (order, newline, folder, encoding) => {
          const tables = shuffled(order);
          const accents = {
            ...tables,
            orgs: [{ ...tables['orgs']?.[0], name: 'Colegio Peñón de la Marejada, lección única' }],
          } as Tables;
          const [name = ''] = encoding.split(' ');
          const addBOM =
            encoding === 'utf-8 with a mark' || (name.startsWith('utf-16') && !encoding.includes('without'));
          const encoded = Object.entries({
            ...files(accents, newline, folder),
            [`${folder}manifest.csv`]: manifest(tables),
          });
          const written = encoded.map(
            ([path, text]) => [path, iconv.encode(text, name, { addBOM })] as const,
          );
          expect(await reckon(await packed(Object.fromEntries(written)))).toEqual({
            students: expected,
            problems: [],
          });
        },
      ),
      { numRuns: 40 },
    );
  });

  it('is read without a manifest as whole, and says so', async () => {
    const read = await reckon(await packed(files(smallSchool)));
    expect(read.students).toEqual(expected);
    expect(read.problems).toMatchObject([
      { file: 'manifest.csv', row: null, reason: expect.stringContaining('is not there') },
    ]);
  });

  it('leaves files of others be', async () => {
    const path = await packed({
      ...files(smallSchool, '\n', 'b/'),
      'b/manifest.csv': manifest(smallSchool),
      '__MACOSX/b/._users.csv': 'x',
      'b/.DS_Store': 'x',
      'b/readme.txt': 'x',
      'b/inner.zip': 'PK',
    });
    expect(await reckon(path)).toEqual({ students: expected, problems: [] });
  });
});

describe('bundles one after the other', () => {
  const change = (tables: Tables, modes: Record<string, string>) => bundleOf(tables, modes);
  const result = (more: object) => ({
    ...smallSchool.results[0],
    dateLastModified: '2026-10-01T10:00:00Z',
    status: 'active',
    ...more,
  });

  it('an addition changes what it names and leaves the rest', async () => {
    const { of, problems } = await figures(
      await bundleOf(smallSchool),
      await change({ results: [result({ score: 20 })] as never }, { results: 'delta' }),
    );
    expect(problems).toEqual([]);
    expect(of.get('odo knots')).toMatchObject({ posted: 60, looseEnds: [{ kind: 'missing' }] });
    expect(of.get('una knots')).toEqual(expected[1]?.classes[0]);
  });

  it('of two copies the newer stands, in whatever order they come', async () => {
    const old = await change(
      { results: [result({ score: 10, dateLastModified: '2026-09-30T10:00:00Z' })] as never },
      { results: 'delta' },
    );
    const fresh = await change({ results: [result({ score: 20 })] as never }, { results: 'delta' });
    const base = await bundleOf(smallSchool);
    for (const order of [
      [old, fresh],
      [fresh, old],
    ])
      expect((await figures(base, ...order)).of.get('odo knots')?.posted).toBe(60);
  });

  it('what is taken back is open again, and has gone with what is in it', async () => {
    const base = await bundleOf(smallSchool);
    const gone = { status: 'tobedeleted', dateLastModified: '2026-10-01T10:00:00Z' };
    const back = await figures(
      base,
      await change({ results: [result(gone)] as never }, { results: 'delta' }),
    );
    expect(back.of.get('odo knots')).toMatchObject({
      posted: 0,
      looseEnds: [
        { itemId: 'quiz', kind: 'overdue' },
        { itemId: 'sheet', kind: 'missing' },
      ],
    });
    const noQuiz = await figures(
      base,
      await change(
        { lineItems: [{ ...smallSchool.lineItems[0], ...gone }] as never },
        { lineItems: 'delta' },
      ),
    );
    expect(noQuiz.problems).toEqual([]);
    expect(noQuiz.of.get('una knots')).toMatchObject({ posted: null });
    const noClass = await figures(
      base,
      await change({ classes: [{ ...smallSchool.classes[0], ...gone }] as never }, { classes: 'delta' }),
    );
    expect([noClass.problems, [...noClass.of]]).toEqual([[], []]);
    const noChild = await figures(
      base,
      await change({ users: [{ ...smallSchool.users[0], ...gone }] as never }, { users: 'delta' }),
    );
    expect([noChild.problems, [...noChild.of.keys()]]).toEqual([[], ['una knots']]);
  });

  it('a whole table takes the place of the one before, an absent one none', async () => {
    const { of } = await figures(
      await bundleOf(smallSchool),
      await change(
        { results: [{ ...smallSchool.results[2], score: 10 }] as never },
        { results: 'bulk', lineItems: 'absent' },
      ),
    );
    expect(of.get('odo knots')).toMatchObject({
      posted: null,
      looseEnds: [{ kind: 'overdue' }, { kind: 'overdue' }],
    });
    expect(of.get('una knots')).toMatchObject({ posted: 50 });
  });

  it('a person who changes keeps the role that was told before', async () => {
    const { of, problems } = await figures(
      await bundleOf(smallSchool),
      await change(
        {
          users: [
            {
              ...smallSchool.users[0],
              givenName: 'Oddo',
              status: 'active',
              dateLastModified: '2026-10-01T10:00:00Z',
            },
          ] as never,
        },
        { users: 'delta', roles: 'absent' },
      ),
    );
    expect([problems, [...of.keys()]]).toEqual([[], ['odo knots', 'una knots']]);
  });
});

describe('what a bundle does not say', () => {
  const one = async (tables: Tables) => (await figures(await bundleOf(tables))).of.get('odo knots');
  it('by points where no category that is used has a weight', async () => {
    const unweighted = { ...smallSchool, categories: without(smallSchool.categories, 'weight') };
    expect(await one(unweighted)).toMatchObject({ posted: (17 / 30) * 100 });
    const unused = [...unweighted.categories, { sourcedId: 'other', title: 'Other', weight: 100 }];
    expect(await one({ ...unweighted, categories: unused })).toMatchObject({ posted: (17 / 30) * 100 });
    const none = {
      ...smallSchool,
      categories: [],
      lineItems: without(smallSchool.lineItems, 'categorySourcedId'),
    };
    expect(await one(none)).toMatchObject({ posted: (17 / 30) * 100 });
  });

  it.each([
    ['the end of the day it is due', '2026-10-21', '2026-10-22T02:59:58Z', '2026-10-22T03:00:00Z'],
    [
      'the time it is due where the school is',
      '2026-10-21T10:00:00',
      '2026-10-21T12:59:59Z',
      '2026-10-21T13:00:01Z',
    ],
    [
      'the instant it is due',
      '2026-10-21T10:00:00.000-04:00',
      '2026-10-21T13:59:59Z',
      '2026-10-21T14:00:01Z',
    ],
  ])('work is overdue after %s', async (_name, dueDate, before, after) => {
    const path = await bundleOf({
      ...smallSchool,
      lineItems: [{ ...smallSchool.lineItems[0], dueDate }],
      results: [],
    } as never);
    const ends = async (asOf: string) =>
      (await reckonBundles([path], { ...asked, asOf })).students[0]?.classes[0]?.looseEnds;
    expect(await ends(before)).toEqual([]);
    expect(await ends(after)).toMatchObject([{ kind: 'overdue' }]);
  });

  it('a score that lies ahead stands from the instant that is asked about', async () => {
    const results = smallSchool.results.map((row) => ({ ...row, scoreDate: '2027-02-01' }));
    expect(await one({ ...smallSchool, results })).toMatchObject({ posted: 51 });
  });

  it('a child that left before the class ended is in it no longer; one whose class is over is', async () => {
    const ends = (endDate: string) =>
      smallSchool.enrollments.map((row, index) => (index === 0 ? { ...row, endDate } : row));
    expect(await one({ ...smallSchool, enrollments: ends('2026-10-01') })).toBeUndefined();
    expect(await one({ ...smallSchool, enrollments: ends('2026-12-18') })).toBeDefined();
    const over = await reckonBundles(
      [await bundleOf({ ...smallSchool, enrollments: ends('2026-12-18') } as Tables)],
      { ...asked, asOf: '2027-01-10T00:00:00Z' },
    );
    expect(over.students).toHaveLength(2);
  });

  it('a word is worth what the scale says, and a status is where a score is', async () => {
    const results = [
      {
        ...without(smallSchool.results, 'score', 'scoreStatus')[0],
        textScore: 'Good',
        scoreScaleSourcedId: 'words',
        scoreStatus: 'fully graded',
      },
    ];
    const scoreScales = [{ sourcedId: 'words', title: 'W', scoreScaleValue: '{Good:16},{Poor:4}' }];
    expect(await one({ ...smallSchool, results, scoreScales } as never)).toMatchObject({ posted: 80 });
    expect(await one({ ...smallSchool, results: without(smallSchool.results, 'scoreStatus') })).toMatchObject(
      { posted: 51 },
    );
  });
});
