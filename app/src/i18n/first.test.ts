/** @jest-environment node */
import { parseSync } from '@babel/core';
import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { finder, fileAt } from '../../bundling/exportsOf.cjs';
import { en } from './en/en';
import { firstEn } from './en/firstEn';

/* What is said first is fetched by itself: nothing that is drawn before the rest is there may say anything else. */
const source = join(__dirname, '..');
const parse = (text: string, filename: string) =>
  parseSync(text, {
    filename,
    ...{ babelrc: false, configFile: false },
    parserOpts: { plugins: ['typescript', 'jsx'] },
  });
const find = finder(parse);

interface Statement {
  readonly source?: { readonly value: string };
  readonly importKind?: string;
  readonly exportKind?: string;
  readonly specifiers?: readonly (Omit<Statement, 'source'> & {
    readonly imported?: { readonly name: string };
    readonly local: { readonly name: string };
  })[];
}
const isType = ({ importKind, exportKind }: Statement) => (importKind ?? exportKind) === 'type';

/** Our files that a file cannot do without: what is fetched when it is asked for is none of them. */
function neededBy(file: string, seen = new Set<string>()): Set<string> {
  if (seen.has(file)) return seen;
  seen.add(file);
  const { body } = (parse(readFileSync(file, 'utf8'), file) as { program: { body: Statement[] } }).program;
  for (const each of body) {
    if (!each.source || isType(each)) continue;
    for (const one of (each.specifiers ?? []).filter((specifier) => !isType(specifier))) {
      const name = one.imported?.name ?? one.local.name;
      const from = each.source.value;
      const made = from.startsWith('.')
        ? (find(from, file, name)?.file ?? fileAt(join(dirname(file), from)))
        : null;
      if (made?.startsWith(source)) neededBy(made, seen);
    }
  }
  return seen;
}

it('is all that the shell and the Brief say', () => {
  const files = ['app/_layout.tsx', 'app/(in)/_layout.tsx', 'places/brief.tsx'].flatMap((name) => [
    ...neededBy(join(source, name)),
  ]);
  expect(files.length).toBeGreaterThan(60);
  const said = new Set(
    files.flatMap((file) =>
      [...readFileSync(file, 'utf8').matchAll(/['`]([a-zA-Z]+)\.[\w$-]/g)].map(([, key]) => key ?? ''),
    ),
  );
  const keys = [...said].filter((key) => key in en);
  expect(keys.length).toBeGreaterThan(15);
  expect(keys.filter((key) => !(key in firstEn))).toEqual([]);
});
