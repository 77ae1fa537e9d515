import { languages, roles, type Language, type Role } from '@cadro/contract';
import { Command, Option } from 'commander';
import { writeFile } from 'node:fs/promises';
import QRCode from 'qrcode';
import {
  checkTrail,
  classList,
  codeLetters,
  codesCsv,
  giveCodes,
  inviteByMail,
  sealTrail,
} from '../../household';
import { addOperator, endOperator } from '../../operator';
import {
  addJobs,
  demoClock,
  openDatabase,
  readConfig,
  seal,
  systemClock,
  type Config,
  type Db,
  type Deps,
} from '../../kit';
import { addSource, findSource, readingJob, sourceAddress } from '../../sources';
import { addAccess } from './access';
import { addBundles } from './bundles';
import { filterOf, ofClass, type Class, type Tell } from './shared';
import { addState } from './state';

interface Work extends Deps {
  readonly config: Config;
}

/** Runs one command on the database that the environment names, and lets go of it. */
async function withDatabase(work: (deps: Work) => Promise<void>): Promise<void> {
  const config = readConfig(process.env, 'command');
  const db = openDatabase(config.databaseUrl, { poolSize: 2 });
  const clock = config.demoSchoolUrl ? demoClock(db) : systemClock;
  try {
    await work({ db, clock, config });
  } finally {
    await db.destroy();
  }
}

const number = (text: string): number => {
  const days = Number(text);
  if (!Number.isInteger(days) || days < 1 || days > 400)
    throw new Error('--days takes a number from 1 to 400');
  return days;
};

interface Giving extends Class {
  readonly days: number;
  readonly teacher?: boolean;
  readonly csv?: string;
  readonly letters?: string;
}

/** Codes for a class list: a table, letters to print, or both. */
async function codes(options: Giving, tell: Tell): Promise<void> {
  await withDatabase(async ({ db, clock, config }) => {
    const given = await giveCodes(db, filterOf(options), {
      issuer: options.teacher ? 'teacher' : 'school',
      ...{ role: 'guardian' as Role, days: options.days, now: await clock.now() },
    });
    if (options.csv) await writeFile(options.csv, codesCsv(given, config.publicUrl), { mode: 0o600 });
    if (options.letters)
      await writeFile(options.letters, await codeLetters({ codes: given, publicUrl: config.publicUrl }), {
        mode: 0o600,
      });
    if (!options.csv && !options.letters)
      for (const line of codesCsv(given, config.publicUrl).split('\r\n')) tell(line);
    tell(`${given.length} codes, valid for ${options.days} days`);
  });
}

interface Inviting {
  readonly to: string;
  readonly child: string[];
  readonly role: Role;
  readonly language: Language;
}

/** The first accounts of a school: a mail with a code. */
const invite = (options: Inviting, tell: Tell): Promise<void> =>
  withDatabase(async (deps) => {
    const { address } = await inviteByMail(deps, { ...options, studentIds: options.child });
    tell(`Mail to ${options.to} is on its way. Its link: ${address}`);
  });

function addCodes(cadro: Command, tell: Tell): void {
  ofClass(cadro.command('children'))
    .description('the children, with the ids for other commands')
    .action((options: Class) =>
      withDatabase(async ({ db }) => {
        for (const child of await classList(db, filterOf(options)))
          tell([child.studentId, child.familyName, child.givenName, child.year, child.schoolName].join('\t'));
      }),
    );
  ofClass(cadro.command('codes'))
    .description('make a code for each child on a list')
    .option('--days <days>', 'how long they are valid', number, 60)
    .option('--teacher', 'the codes come from a teacher')
    .option('--csv <file>', 'write them to a table')
    .option('--letters <file>', 'write letters to print, in English and Spanish, as PDF')
    .action((options: Giving) => codes(options, tell));
  cadro
    .command('invite')
    .description('invite someone by mail')
    .requiredOption('--to <address>', 'the address to send it to')
    .requiredOption('--child <id...>', 'the children whose records it opens')
    .addOption(new Option('--role <role>', 'their role').choices([...roles]).default('guardian'))
    .addOption(
      new Option('--language <language>', 'the language of the mail').choices([...languages]).default('en'),
    )
    .action((options: Inviting) => invite(options, tell));
}

/** @throws Error when the trail is not as it was sealed. */
async function checkedTrail(db: Db, head: string | null, tell: Tell): Promise<void> {
  await sealTrail(db);
  const { sealed, brokenAt, headKnown, head: last } = await checkTrail(db, head);
  if (brokenAt !== null) throw new Error(`entry ${brokenAt} of the trail has changed since it was sealed`);
  if (headKnown === false)
    throw new Error('the trail doesn’t contain the seal you kept: entries are missing');
  tell(`${sealed} entries, all as sealed. Keep the last seal somewhere else: ${last}`);
}

/** A school's system, with its secret sealed; the worker reads it at once. */
const newSource = (
  { name, address, clientId }: { name: string; address: string; clientId: string },
  tell: Tell,
): Promise<void> =>
  withDatabase(async ({ db, config }) => {
    const baseUrl = sourceAddress(address);
    if (baseUrl === null) throw new Error(`${address} isn’t an http or https address`);
    const secret = process.env['CADRO_SOURCE_SECRET'];
    if (!secret) throw new Error('CADRO_SOURCE_SECRET is not set');
    const sealedSecret = seal(config.secret, secret);
    const id = await addSource(db, { name, baseUrl, clientId, sealedSecret });
    await addJobs(db, [readingJob(id)]);
    tell(`source ${id} will be read by the worker`);
  });

/** The command line of the operator. @param tell takes each line of what it says. */
export function cadroCommand(tell: Tell): Command {
  const cadro = new Command('cadro').description('Running a Cadro from the command line');
  cadro
    .command('add-source <name> <url> <client>')
    .description(
      'add a school’s system, with its secret in CADRO_SOURCE_SECRET; the worker reads it right away',
    )
    .action((name: string, address: string, clientId: string) =>
      newSource({ name, address, clientId }, tell),
    );
  cadro
    .command('read-source <source>')
    .description('have the worker read a school’s system now, by the id that `sources` shows')
    .action((id: string) =>
      withDatabase(async ({ db }) => {
        if (!(await findSource(db, id))) throw new Error(`there’s no source ${id}`);
        await addJobs(db, [readingJob(id)]);
        tell(`source ${id} will be read by the worker`);
      }),
    );
  cadro
    .command('add-operator <name>')
    .description(
      'let someone sign in at /operator, with the password in CADRO_OPERATOR_PASSWORD; run it again to replace password and key',
    )
    .action((name: string) =>
      withDatabase(async (deps) => {
        const password = process.env['CADRO_OPERATOR_PASSWORD'];
        if (!password) throw new Error('CADRO_OPERATOR_PASSWORD is not set');
        const { secret, uri } = await addOperator(deps, name, password);
        tell(await QRCode.toString(uri, { type: 'terminal', small: true }));
        tell(`Key for an authenticator app, shown only once: ${secret}`);
        tell(`${name} can sign in at ${deps.config.publicUrl}/operator if it is switched on`);
      }),
    );
  cadro
    .command('end-operator <name>')
    .description('end someone’s access to /operator, from the next request on')
    .action((name: string) =>
      withDatabase(async ({ db, clock }) =>
        tell((await endOperator(db, name, await clock.now())) ? 'Done.' : 'There’s no such operator.'),
      ),
    );
  cadro
    .command('trail-check')
    .description('recompute every seal in the trail')
    .option('--head <seal>', 'a last seal you kept elsewhere: check that the trail still contains it')
    .action(({ head }: { head?: string }) => withDatabase(({ db }) => checkedTrail(db, head ?? null, tell)));
  addCodes(cadro, tell);
  addAccess(cadro, withDatabase, tell);
  addBundles(cadro, withDatabase, tell);
  addState(cadro, withDatabase, tell);
  return cadro;
}
