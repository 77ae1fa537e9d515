import { doorRoutes, peopleRoutes, type Me } from '@cadro/contract';
import { parse } from 'csv-parse/sync';
import { mkdtemp, readFile, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PaperReader } from '../../testing/paper';
import { World } from '../../testing/world';
import { cadroCommand } from './operator';

/* What the operator does at the command line, on the database that the environment names. */
let world: World;
let folder: string;
const paper = new PaperReader();
const environment = process.env;
beforeAll(async () => {
  world = await World.read();
  folder = await mkdtemp(join(tmpdir(), 'cadro-codes-'));
  await world.household('here', [{ name: 'maren', children: ['caspian'] }]);
  process.env = {
    ...environment,
    DATABASE_URL: world.config.databaseUrl,
    CADRO_SECRET: world.config.secret,
    CADRO_INBOUND_MAIL_KEY: world.config.inboundMailKey,
    SMTP_URL: world.config.smtpUrl,
    CADRO_PUBLIC_URL: 'https://cadro.example',
    CADRO_TRUSTED_PROXIES: '1',
    CADRO_DEMO_SCHOOL_URL: world.school.url,
  };
});
afterAll(async () => {
  process.env = environment;
  await paper.close();
  await rm(folder, { recursive: true });
  await world.stop();
});

async function cadro(...args: readonly string[]): Promise<string[]> {
  const lines: string[] = [];
  const command = cadroCommand((line) => lines.push(line));
  for (const each of [command, ...command.commands])
    each.exitOverride().configureOutput({ writeErr: () => undefined });
  await command.parseAsync([...args], { from: 'user' });
  return lines;
}
const come = (code: string, name: string) =>
  world.nobody.post(doorRoutes.come.path).send({
    ...{ code, name, email: `${name}@test.example`, password: 'lantern wicks for thirty herons' },
    ...{ language: 'en', keep: false },
  });

it('lists the children with their ids', async () => {
  const lines = await cadro('children', '--school', 'Millrace Middle School', '--year', '8');
  expect(lines).toContain(
    [world.student('caspian'), 'Aldervane', 'Caspian', '8', 'Millrace Middle School'].join('\t'),
  );
  expect(lines.every((line) => line.endsWith('Millrace Middle School'))).toBe(true);
});

it('gives out a code for each child of a class, as a table and as letters to print', async () => {
  const [csv, pdf] = [join(folder, 'codes.csv'), join(folder, 'letters.pdf')];
  const lines = await cadro('codes', '--course', 'Boat-building', '--csv', csv, '--letters', pdf);
  // Secrets that lie in files are their owner's alone.
  for (const file of [csv, pdf]) expect((await stat(file)).mode & 0o077).toBe(0);
  const rows = parse(await readFile(csv), { columns: true, bom: true }) as Record<string, string>[];
  expect(lines.at(-1)).toBe(`${rows.length} codes, valid for 60 days`);
  const own = rows.find(({ student_id }) => student_id === world.student('caspian'));
  expect(own).toMatchObject({
    ...{ family_name: 'Aldervane', given_name: 'Caspian', year: '8', works_until: '2026-12-20' },
    address: `https://cadro.example/new#${own?.['code'] ?? ''}`,
  });
  expect(own?.['code']).toMatch(/^([0-9A-HJKMNP-TV-Z]{4}-){3}[0-9A-HJKMNP-TV-Z]{4}$/);
  const pages = await paper.read(await readFile(pdf));
  expect(pages).toHaveLength(rows.length);
  const page = pages.find((parts) => parts.some((part) => part.text.includes('Aldervane, Caspian'))) ?? [];
  const text = page.map((part) => part.text).join(' ');
  for (const part of [
    ...['Keeping up with Caspian’s schoolwork', 'Para seguir las tareas de Caspian', own?.['code'] ?? '-'],
    ...['until December 20, 2026', 'hasta el 20 de diciembre de 2026', 'Aldervane, Caspian'],
  ])
    expect(text).toContain(part);
  expect(text).not.toContain('…');
  const preview = await world.nobody.post(doorRoutes.look.path).send({ code: own?.['code'] }).expect(200);
  expect(preview.body).toMatchObject({ issuer: 'school', children: [{ givenName: 'Caspian' }] });
  await come(own?.['code'] ?? '', 'printed').expect(201);
});

it('invites somebody by mail, in a language', async () => {
  const to = 'first@test.example';
  const lines = await cadro('invite', '--to', to, '--child', world.student('isolde'), '--language', 'es');
  const code = /#([\w-]+)$/.exec(lines[0] ?? '')?.[1] ?? '';
  const [mail] = await world.mailsTo(to);
  expect(mail?.subject).toBe('Vea las tareas de Isolde en Cadro');
  expect(mail?.text).toContain(code);
  expect(((await come(code, 'first').expect(201)).body as Me).children[0]?.givenName).toBe('Isolde');
});

it('answers an objection, and ends a link', async () => {
  const [{ code } = { code: '' }] = parse(
    (await cadro('codes', '--child', world.student('caspian'))).slice(0, -1).join('\n'),
    { columns: true, bom: true },
  ) as { code: string }[];
  const agent = world.nobody;
  const me = (
    await agent
      .post(doorRoutes.come.path)
      .send({
        ...{ code, name: 'Nestor', email: 'nestor@test.example', language: 'en', keep: false },
        password: 'lantern wicks for thirty herons',
      })
      .expect(201)
  ).body as Me;
  const maren = await world.signedIn('maren');
  const path = peopleRoutes.object.path
    .replace(':studentId', world.student('caspian'))
    .replace(':personId', me.id);
  await maren.post(path).expect(204);
  const children = async () => ((await agent.get('/api/me')).body as Me).children.length;
  expect(await children()).toBe(0);
  const which = ['--child', world.student('caspian'), '--person', me.id];
  const held = (await cadro('links', '--child', world.student('caspian'))).find((row) => row.includes(me.id));
  expect(held).toMatch(/\tCaspian\t.*\tNestor\tguardian\t.*\ton hold\t$/);
  expect((await cadro('objections')).join()).toContain(me.id);
  expect(await cadro('restore', ...which)).toEqual(['The link opens the record again.']);
  expect([await children(), await cadro('objections')]).toEqual([1, []]);
  expect(await cadro('restore', ...which)).toEqual(['Nobody has objected to that link.']);
  expect(await cadro('end-link', ...which)).toEqual(['The link has ended.']);
  expect(await children()).toBe(0);
  expect(await cadro('end-link', ...which)).toEqual(['There’s no such link.']);
});

it('holds something back from somebody, says so, and lifts it', async () => {
  const [child, course] = [world.student('caspian'), await world.courseId('boats', 'millrace')];
  const maren = await world.signedIn('maren');
  const own = (await maren.get('/api/me')).body as Me;
  const titles = async () =>
    ((await maren.get('/api/courses').expect(200)).body.courses as { id: string }[]).map(({ id }) => id);
  expect(await titles()).toContain(course);
  const held = ['restrict', '--child', child, '--what', 'course', '--course', course, '--person', own.id];
  expect(await cadro(...held)).toEqual(['It’s withheld now.']);
  expect(await titles()).not.toContain(course);
  expect(await cadro(...held)).toEqual(['It was already withheld.']);
  const [line = ''] = await cadro('restrictions');
  expect(line).toMatch(/\tCaspian\tcourse\tBoat-building\tmaren\t/);
  const id = line.split('\t')[0] ?? '';
  expect(await cadro('lift', id)).toEqual(['It’s no longer withheld.']);
  expect(await cadro('lift', id)).toEqual(['There’s no such restriction.']);
  expect([await titles(), await cadro('restrictions')]).toEqual([expect.arrayContaining([course]), []]);
});

it('tells how sources, queue and tables are', async () => {
  const millrace = (await cadro('sources')).find((each) => each.includes('\tMillrace'));
  expect(millrace?.split('\t')[0]).toBe(world.sources.get('millrace'));
  await world.db('sync_problems').insert({
    ...{ source_id: world.sources.get('millrace'), collection: 'results', external_id: 'a', reason: 'x' },
    ...{ fault: 'misfit', seen_at: '2026-10-20T20:00:00Z' },
  });
  const asideOf = async () =>
    (await cadro('sources'))
      .find((each) => each.includes('\tMillrace'))
      ?.split('\t')
      .at(-1);
  expect(await asideOf()).toBe('1');
  await world.workOff();
  expect(await cadro('queue')).toEqual([]);
  await world.db.raw(`select graphile_worker.add_job('deliver', '{}', run_at := '2030-01-01Z')`);
  expect(await cadro('queue')).toEqual(['deliver\t1\t2030-01-01T00:00:00.000Z\t0']);
  await world.db.raw('delete from graphile_worker._private_jobs');
  const tables = (await cadro('sizes')).map((each) => each.split('\t'));
  expect(tables.map(([name]) => name)).toEqual(expect.arrayContaining(['results', 'trail']));
  expect(tables.every(([, rows, bytes]) => Number(rows) >= 0 && Number(bytes) > 0)).toBe(true);
});

it('names the addresses that mail does not reach', async () => {
  expect(await cadro('bounced')).toEqual([]);
  const maren = (await (await world.signedIn('maren')).get('/api/me')).body as Me;
  const at = new Date('2026-10-20T20:00:00Z');
  await world
    .db('alert_settings')
    .insert({ guardian_id: maren.id, mail_bounced_at: at })
    .onConflict('guardian_id')
    .merge();
  await world.db('account_mails').insert({
    ...{ address: 'gone@test.example', language: 'en', kind: 'invitation', state: 'refused' },
    ...{ made_at: at, sent_at: at },
  });
  expect(await cadro('bounced')).toEqual([
    `alerts\tmaren@test.example\t${at.toISOString()}`,
    `invitation\tgone@test.example\t${at.toISOString()}`,
  ]);
});

it('reads the trail, of a child, of a person, of everybody', async () => {
  const maren = await world.signedIn('maren');
  const me = (await maren.get('/api/me')).body as Me;
  await cadro('restrict', '--child', world.student('caspian'), '--what', 'contacts', '--person', me.id);
  const kinds = async (...args: string[]) =>
    (await cadro('trail', ...args)).map((each) => each.split('\t')[1]);
  expect(await kinds('--child', world.student('caspian'))).toContain('restricted');
  expect(await kinds('--child', world.student('isolde'))).not.toContain('restricted');
  expect(await kinds('--person', me.id)).toEqual(expect.arrayContaining(['signed-in', 'restricted']));
  expect((await cadro('trail')).length).toBeGreaterThan(3);
  const [latest = ''] = await cadro('trail', '--child', world.student('caspian'));
  expect(latest).toMatch(/\trestricted\t\tCaspian\tmaren@test\.example\t$/);
});

it.each([
  [
    'a child there is not',
    ['invite', '--to', 'x@test.example', '--child', '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6'],
  ],
  ['a role there is not', ['invite', '--to', 'x@test.example', '--child', 'x', '--role', 'owner']],
  ['no days', ['codes', '--days', '0']],
  ['nobody to write to', ['invite', '--child', 'x']],
  ['a command there is not', ['forget-everything']],
  ['a course that is not named', ['restrict', '--child', 'x', '--what', 'course']],
  ['what nobody can hold back', ['restrict', '--child', 'x', '--what', 'everything']],
  ['a source without its secret', ['add-source', 'Name', 'https://x', 'client']],
  ['a source at an address that is none', ['add-source', 'Name', 'not-a-url', 'client']],
])('refuses %s', async (_name, args) => {
  const before = await world.db('invitations').count();
  await expect(cadro(...args)).rejects.toThrow();
  expect(await world.db('invitations').count()).toEqual(before);
});

it('lets somebody in at the operators’ place, with a key for the second step, and no longer', async () => {
  await expect(cadro('add-operator', 'Sable')).rejects.toThrow('CADRO_OPERATOR_PASSWORD');
  process.env['CADRO_OPERATOR_PASSWORD'] = 'sable2026';
  await expect(cadro('add-operator', 'Sable')).rejects.toThrow();
  process.env['CADRO_OPERATOR_PASSWORD'] = 'seven lamps along the breakwater';
  const lines = await cadro('add-operator', 'Sable');
  const key = /^Key for an authenticator app, shown only once: ([A-Z2-7]{16,})$/.exec(
    lines.at(-2) ?? '',
  )?.[1];
  expect(key).toBeDefined();
  const row = await world.db('operators').where({ name: 'Sable' }).first();
  expect(JSON.stringify(row)).not.toContain(key);
  expect(await cadro('end-operator', 'Sable')).toEqual(['Done.']);
  expect(await cadro('end-operator', 'Sable')).toEqual(['There’s no such operator.']);
});

it('says as whom the school names somebody, and what it holds back from whom nobody here is', async () => {
  const child = world.student('caspian');
  const source = await world.db('student_profiles').where({ student_id: child }).first('source_id');
  await world
    .db('told_restrictions')
    .insert({ ...source, external_id: 'r', student_id: child, what: 'comments', agent: 'agent-maren' });
  const unmet = ['not known here', child, 'Caspian', 'comments', '', 'Maren Aldervane'].join('\t');
  expect(await cadro('restrictions')).toContain(unmet);
  const person = await world.personId('maren');
  const own = ['agent-maren', 'Maren Aldervane', 'parent'];
  expect(await cadro('named', '--child', child)).toContain([...own, ''].join('\t'));
  const asks = (...more: string[]) => cadro('name-as', '--child', child, '--person', person, ...more);
  await expect(asks('--as', 'nobody')).rejects.toThrow();
  expect(await asks('--as', 'agent-maren')).toEqual(['Done.']);
  expect(await cadro('named', '--child', child)).toContain([...own, person].join('\t'));
  const held = await cadro('restrictions');
  expect(held).not.toContain(unmet);
  expect(held.some((line) => line.includes('Caspian\tcomments\t\tmaren'))).toBe(true);
  expect(await cadro('name-as', '--child', child, '--person', child)).toEqual(['There’s no such link.']);
});
