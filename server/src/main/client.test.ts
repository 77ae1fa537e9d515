import { allRoutes, openApiDocument } from '@cadro/contract';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { password, World } from '../testing/world';

/* A program of somebody else's: it knows the interface by its document alone, and its types are made of that. */
const program = `
import createClient from 'openapi-fetch';
import type { paths } from './api';

export async function coursesOf(baseUrl: string, email: string, password: string): Promise<string[]> {
  const client = createClient<paths>({ baseUrl, headers: { origin: baseUrl } });
  const { data: me, error: refused, response } = await client.POST('/api/session', { body: { email, password } });
  if (!me) throw new Error(refused.code);
  const cookie = response.headers.getSetCookie().map((each) => each.split(';')[0]).join('; ');
  const { data, error } = await client.GET('/api/courses', { headers: { cookie } });
  if (!data) throw new Error(error.code);
  const own = new Set(me.children.map(({ id }) => id));
  return data.courses.filter(({ studentId }) => own.has(studentId)).map(({ title }) => title);
}
`;
const root = join(__dirname, '..', '..', '..');
let folder: string;
let world: World;
beforeAll(async () => {
  // Within the checkout, where what it imports is found.
  mkdirSync(join(root, '.cadro'), { recursive: true });
  folder = mkdtempSync(join(root, '.cadro', 'client-'));
  world = await World.read();
  await world.household('here', [{ name: 'maren', children: ['caspian'] }]);
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await world.stop();
});

/** Compiles the program strictly. @returns what is wrong with it. */
function compile(): string[] {
  const built = ts.createProgram([join(folder, 'family.ts')], {
    ...{ strict: true, skipLibCheck: true, types: ['node'], target: ts.ScriptTarget.ES2022, outDir: folder },
    ...{
      module: ts.ModuleKind.CommonJS,
      moduleResolution: ts.ModuleResolutionKind.Node10,
      esModuleInterop: true,
    },
  });
  const found = ts.getPreEmitDiagnostics(built);
  built.emit();
  return found.map(({ messageText }) => ts.flattenDiagnosticMessageText(messageText, ' '));
}

it('compiles against the types that are made of the document, and reads a child’s courses', async () => {
  const document = join(folder, 'openapi.json');
  writeFileSync(document, JSON.stringify(openApiDocument(allRoutes)));
  execFileSync(
    join(root, 'node_modules', '.bin', 'openapi-typescript'),
    [document, '-o', join(folder, 'api.ts')],
    {
      stdio: 'ignore',
    },
  );
  writeFileSync(join(folder, 'family.ts'), program);
  expect(compile()).toEqual([]);
  const { coursesOf } = (await import(join(folder, 'family.js'))) as {
    coursesOf: (baseUrl: string, email: string, password: string) => Promise<string[]>;
  };
  expect(await coursesOf(world.config.publicUrl, 'maren@test.example', password)).toContain('Boat-building');
  await expect(coursesOf(world.config.publicUrl, 'maren@test.example', 'wrong')).rejects.toThrow(
    'wrong-credentials',
  );
});
