import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';

/* Every rule of the house is seen to fail on a planted fault, and to let the right thing pass. */
const root = join(__dirname, '..', '..');

interface Said {
  readonly ruleId: string;
  readonly message: string;
}
const lint = (cases: readonly { path: string; text: string }[]): Said[][] => {
  const { stdout, stderr } = spawnSync(process.execPath, [join(__dirname, 'lintTexts.mjs')], {
    cwd: root,
    input: JSON.stringify(cases),
    encoding: 'utf8',
    maxBuffer: 1e8,
  });
  if (!stdout) throw new Error(stderr);
  return JSON.parse(stdout) as Said[][];
};

const faults = [
  [
    'an import down the list',
    'server/src/records/planted.ts',
    `export { a } from '../household';`,
    'records stands before household',
  ],
  ['one of the app', 'app/src/i18n/planted.ts', `export { a } from '../household';`, 'i18n stands before ui'],
  [
    'one of the core',
    'core/src/gradebook/planted.ts',
    `export { a } from '../alerts';`,
    'gradebook stands before attendance',
  ],
  [
    'a room entered by its window',
    'server/src/brief/planted.ts',
    `export { a } from '../records/itemStore';`,
    'A room is entered through its index',
  ],
  [
    'one of the app',
    'app/src/outlook/planted.ts',
    `export { a } from '../plan/Board';`,
    'A room is entered through its index or api',
  ],
  [
    'a library taken whole',
    'core/src/plan/planted.ts',
    `export { addDays } from 'date-fns';`,
    'Take each function from its own file',
  ],
  [
    'a style without a name',
    'app/src/plan/planted.tsx',
    `export const A = () => <View style={{ flex: 1 }} />;`,
    'A style has a name',
  ],
  [
    'a function one cannot see across',
    'core/src/plan/planted.ts',
    `export function a() {\n${'  // a line\n'.repeat(59)}}`,
    'has too many lines (61)',
  ],
  [
    'the server in the app',
    'app/src/plan/planted.ts',
    `export { a } from '@cadro/server';`,
    'app may know core and contract only',
  ],
  [
    'React in the core',
    'core/src/plan/planted.ts',
    `export { useState } from 'react';`,
    'No interface and no I/O here',
  ],
  [
    'another room’s table in the builder',
    'server/src/brief/store.ts',
    `export const a = (db: never) => db('items');`,
    'The table items belongs to records',
  ],
  [
    'one that is joined',
    'server/src/plan/store.ts',
    `export const a = (q: never) => q.leftJoin('alerts as a', 'a.id', 'x.id');`,
    'The table alerts belongs to alerts',
  ],
  [
    'one in raw SQL',
    'server/src/plan/store.ts',
    'export const a = (db: never) => db.raw(`select 1 from x join results r on true`);',
    'The table results belongs to records',
  ],
  [
    'one that is written',
    'server/src/outlook/tryStore.ts',
    `export const a = (db: never) => db.raw('update comments set text = 1');`,
    'The table comments belongs to records',
  ],
  [
    'an own table outside a store',
    'server/src/plan/service.ts',
    `export const a = (db: never) => db('plans');`,
    'SQL stands in store.ts',
  ],
  [
    'a view of a later room',
    'server/src/records/itemStore.ts',
    `export const a = (db: never) => db('source_states');`,
    'published by sources, which stands after records',
  ],
] as const;

const right = [
  ['server/src/brief/planted.ts', `export { a } from '../records';`],
  ['app/src/outlook/planted.ts', `export { a } from '../plan/api';`],
  [
    'server/src/plan/store.ts',
    `export const a = (db: never) => db('plans').join('student_items as i', 'i.item_id', 'x');`,
  ],
  [
    'server/src/records/itemStore.ts',
    'export const a = (db: never) => db.raw(`select 1 from results r join items i on true`);',
  ],
  ['server/src/plan/service.ts', `export const words = 'the plans of a family';`],
] as const;

describe('the lint', () => {
  let said: Said[][] = [];
  beforeAll(() => {
    said = lint([
      ...faults.map(([, path, text]) => ({ path, text })),
      ...right.map(([path, text]) => ({ path, text })),
    ]);
  });

  it.each(faults.map(([name, , , sentence], index) => [name, index, sentence] as const))(
    'refuses %s (%#)',
    (_name, index, sentence) => {
      expect(said[index]?.map(({ message }) => message).join('\n')).toContain(sentence);
    },
  );

  it.each(right.map(([path], index) => [path, index] as const))('lets pass %s (%#)', (_path, index) => {
    const rules = (said[faults.length + index] ?? []).map(({ ruleId }) => ruleId);
    expect(rules.filter((rule) => /restricted-imports|own-tables/.test(rule))).toEqual([]);
  });
});

/** Files in a folder of their own, which is gone afterwards. */
function planted(files: Readonly<Record<string, string>>, look: (folder: string) => void): void {
  const folder = mkdtempSync(join(tmpdir(), 'planted-'));
  try {
    for (const [path, text] of Object.entries(files)) {
      mkdirSync(dirname(join(folder, path)), { recursive: true });
      writeFileSync(join(folder, path), text);
    }
    symlinkSync(join(root, 'node_modules'), join(folder, 'node_modules'));
    look(folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
const run = (name: string, args: readonly string[], cwd: string) => {
  const { status, stdout } = spawnSync(join(root, 'node_modules', '.bin', name), args, {
    cwd,
    encoding: 'utf8',
  });
  return { status, stdout };
};

describe('the check for circles', () => {
  const config = ['--config', join(__dirname, 'circles.cjs'), '--output-type', 'err-long', 'src'];
  const tsconfig = JSON.stringify({ compilerOptions: { module: 'ESNext', moduleResolution: 'Bundler' } });
  it('refuses files that import each other, if only by their types', () => {
    const files = {
      'tsconfig.base.json': tsconfig,
      'src/a.ts': `import type { B } from './b';\nexport interface A { b: B }\n`,
      'src/b.ts': `import type { A } from './a';\nexport interface B { a: A }\n`,
    };
    planted(files, (folder) => {
      const { status, stdout } = run('depcruise', config, folder);
      expect(status).not.toBe(0);
      expect(stdout.replace(/\s+/g, ' ')).toContain('move what they share into a file of its own');
    });
  });
  it('lets pass those that do not', () => {
    const files = {
      'tsconfig.base.json': tsconfig,
      'src/a.ts': `export * from './b';\n`,
      'src/b.ts': `export const b = 1;\n`,
    };
    planted(files, (folder) => expect(run('depcruise', config, folder).status).toBe(0));
  });
});

it('an export that nobody uses is told with its place', () => {
  const files = {
    'package.json': JSON.stringify({ name: 'planted', main: 'src/a.ts' }),
    'src/a.ts': `import { used } from './b';\nconsole.log(used);\n`,
    'src/b.ts': `export const used = 1;\nexport const unused = 2;\n`,
  };
  planted(files, (folder) => {
    const { status, stdout } = run('knip', ['--no-progress'], folder);
    expect(status).not.toBe(0);
    expect(stdout).toMatch(/unused\s+src\/b\.ts:2/);
  });
});
