import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { alertRoutes, languages, messageRoutes } from '@cadro/contract';
import { accountLetters, presetRules } from '@cadro/core';
import { createTransport } from 'nodemailer';
import { lookAtChildren, lookAtGuardians, makeDigests, wantDeliveries } from '../../alerts';
import { sendAccountMail } from '../../household';
import { mailToken, signedId } from '../../kit';
import { MailServer } from '../../testing/mailServer';
import { World } from '../../testing/world';

/* What a filter thinks of every kind of mail, as a real mail server has brought it. */
let world: World;
let server: MailServer;
const opens = '2026-10-21T19:40:00.000Z';
const readers = { en: 'maren', es: 'tobiah' } as const;
beforeAll(async () => {
  server = await MailServer.start();
  const smtpUrl = `smtp://127.0.0.1:${server.port}?tls.rejectUnauthorized=false`;
  world = await World.read('once', { config: { smtpUrl, publicUrl: 'http://cadro.example' } });
  await world.household('here', [
    { name: 'maren', children: ['caspian', 'isolde'] },
    { name: 'tobiah', children: ['caspian', 'isolde'] },
  ]);
});
afterAll(async () => {
  await world.stop();
  await server.stop();
});

/** Everything that two guardians hear of in some days, each in their own language. */
async function sendAlerts(): Promise<void> {
  const children = [world.student('caspian'), world.student('isolde')];
  for (const [language, name] of Object.entries(readers)) {
    const agent = await world.signedIn(name);
    const { delivery } = (await agent.get(alertRoutes.settings.path).expect(200)).body;
    await agent
      .patch(alertRoutes.changeSettings.path)
      .send({
        rules: presetRules('everything'),
        delivery: { ...delivery, language, quiet: null, digest: 'daily', emptyDigest: 'line' },
      })
      .expect(200);
  }
  await lookAtChildren(world, children);
  for (const day of [22, 26]) {
    await world.moveTo(opens.replace('21T', `${day}T`));
    await world.syncAll();
    await lookAtChildren(world, children);
    await lookAtGuardians(world);
    await makeDigests(world);
    await wantDeliveries(world);
    await world.workOff();
  }
}

async function sendAccountMails(): Promise<void> {
  const words = ['name', 'who', 'inviter', 'child', 'device', 'address', 'until'];
  const params = JSON.stringify(Object.fromEntries(words.map((word) => [word, 'Isolde'])));
  const rows = languages.flatMap((language) =>
    accountLetters.map((kind) => ({ kind, language, params, address: 'maren@test.example' })),
  );
  const transport = createTransport(world.config.smtpUrl);
  const ids = await world
    .db('account_mails')
    .insert(rows.map((row) => ({ ...row, made_at: opens })))
    .returning<{ id: string }[]>('id');
  for (const { id } of ids) await sendAccountMail({ ...world, transport }, id);
}

async function sendLetter(): Promise<void> {
  const maren = await world.signedIn('maren');
  const [teacher] = (
    await maren.get(messageRoutes.teachers.path.replace(':studentId', world.student('caspian'))).expect(200)
  ).body.teachers;
  const text = 'Could Caspian hand the keel model in on Monday? He was ill on the day it was due.';
  await maren
    .post(messageRoutes.send.path)
    .send({
      ...{ studentId: world.student('caspian'), teacherId: teacher.id, subject: 'The keel model', text },
      files: [{ name: 'note.pdf', content: Buffer.from('%PDF-1.4 a note').toString('base64') }],
    })
    .expect(202);
  await world.workOff();
}

/** Ids as they could be drawn, the same at every run. */
const idOf = (at: number): string =>
  createHash('sha256')
    .update(String(at))
    .digest('hex')
    .replace(/^(.{8})(.{4})(.{4})(.{4})(.{12}).*$/, '$1-$2-$3-$4-$5');
const stopOf = (id: string): string => signedId('a secret', 'stop', id, '-');

/** The points that each mail gets by the filter's rules, by rule; nobody outside is asked. */
function pointsOf(mails: readonly string[]): Record<string, number>[] {
  const from = 'From cadro@mail.cadro.example Thu Oct 22 19:40:00 2026';
  const points = 'add_header all Points _TESTSSCORES(,)_';
  const { stdout, stderr, status } = spawnSync(
    '/usr/bin/spamassassin',
    ['--local', '--mbox', `--cf=${points}`],
    {
      input: mails.map((mail) => `${from}\n${mail}\n`).join('\n'),
      ...{ encoding: 'utf8', maxBuffer: 100_000_000 },
    },
  );
  if (status !== 0) throw new Error(stderr);
  const fields = stdout.replace(/\n[\t ]+/g, '').matchAll(/^X-Spam-Points: (.*)$/gm);
  return [...fields].map(([, rules = '']) =>
    Object.fromEntries(
      rules.split(',').map((rule): [string, number] => {
        const [name = '', value] = rule.split('=');
        return [name, Number(value)];
      }),
    ),
  );
}

it('thinks well of every mail', async () => {
  await sendAlerts();
  await sendAccountMails();
  await sendLetter();
  const mails = server.all;
  const subjects = mails.map((mail) => /^Subject: .*(\r?\n[\t ].*)*/m.exec(mail)?.[0] ?? '');
  for (const kind of [/keel model/, /day/, /confirm/i])
    expect(subjects.some((each) => kind.test(each))).toBe(true);
  const letter = mails.find((mail) => /^Subject: The keel model/m.test(mail)) ?? '';
  expect(letter).toMatch(/^Content-Disposition: attachment; filename=note\.pdf\r?$/m);
  expect(mails.length).toBeGreaterThan(2 * accountLetters.length + 20);
  const points = pointsOf(mails);
  expect(points).toHaveLength(mails.length);
  const spammy = points.flatMap(({ ALL_TRUSTED, ...others }, index) => {
    const own = Object.values(others).reduce((sum, each) => sum + each, 0);
    // Where the way is trusted it is below nothing; where it is not, next to nothing is left of its own.
    return own + (ALL_TRUSTED ?? 0) < 0 && own < 0.1 ? [] : [[subjects[index], others]];
  });
  expect(spammy).toEqual([]);
});

/** What the filter takes for the address of a purse, as it looks for it. */
const purse = /(?<![\w=])[13][a-km-zA-HJ-NP-Z1-9]{25,34}(?!\w)/;

it('no token of a mail can look like the address of a purse, whatever is drawn', () => {
  const ids = Array.from({ length: 3000 }, (_, at) => idOf(at));
  const tokens = ids.flatMap((id) => [stopOf(id), mailToken('a secret', id)]);
  expect(tokens.filter((token) => purse.test(token))).toEqual([]);
  // The same without dashes would, now and then.
  expect(ids.some((id) => purse.test(id.replaceAll('-', '')))).toBe(true);
});

it('the filter is one that sees what is wrong', () => {
  const bad = [
    'From: "Dr" <a@b.example>',
    'To: undisclosed-recipients:;',
    'Subject: URGENT!!! YOU HAVE WON $5,000,000.00',
    'Date: Thu, 01 Jan 1998 00:00:00 +0000',
    '',
    'Dear friend, I am the widow of a late minister. The sum of $5,000,000.00 USD waits. Viagra cheap!',
  ];
  const [points] = pointsOf([bad.join('\n')]);
  expect(Object.values(points ?? {}).reduce((sum, each) => sum + each, 0)).toBeGreaterThan(5);
});
