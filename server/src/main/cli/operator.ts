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
  if (!Number.isInteger(days) || days < 1 || days > 400) throw new Error('days is a number from 1 to 400');
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
    tell(`${given.length} codes, good for ${options.days} days`);
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
    tell(`A mail to ${options.to} is on its way. Its link: ${address}`);
  });

function addCodes(cadro: Command, tell: Tell): void {
  ofClass(cadro.command('children'))
    .description('the children there are, with the ids that other commands take')
    .action((options: Class) =>
      withDatabase(async ({ db }) => {
        for (const child of await classList(db, filterOf(options)))
          tell([child.studentId, child.familyName, child.givenName, child.year, child.schoolName].join('\t'));
      }),
    );
  ofClass(cadro.command('codes'))
    .description('a code for each child of a list')
    .option('--days <days>', 'how long they work', number, 60)
    .option('--teacher', 'given out by a teacher')
    .option('--csv <file>', 'writes them as a table')
    .option('--letters <file>', 'writes letters to print, in English and Spanish, as PDF')
    .action((options: Giving) => codes(options, tell));
  cadro
    .command('invite')
    .description('invites somebody by mail')
    .requiredOption('--to <address>', 'where the mail goes')
    .requiredOption('--child <id...>', 'whose records it opens')
    .addOption(new Option('--role <role>', 'as what').choices([...roles]).default('guardian'))
    .addOption(new Option('--language <language>', 'of the mail').choices([...languages]).default('en'))
    .action((options: Inviting) => invite(options, tell));
}

/** @throws Error when the trail is not as it was sealed. */
async function checkedTrail(db: Db, head: string | null, tell: Tell): Promise<void> {
  await sealTrail(db);
  const { sealed, brokenAt, headKnown, head: last } = await checkTrail(db, head);
  if (brokenAt !== null) throw new Error(`entry ${brokenAt} of the trail is not as it was sealed`);
  if (headKnown === false)
    throw new Error('the seal that was kept does not stand in the trail: entries have gone');
  tell(`${sealed} entries, all as they were sealed. Keep the last seal elsewhere: ${last}`);
}

/** A school's system, with its secret sealed; the worker reads it at once. */
const newSource = (
  { name, address, clientId }: { name: string; address: string; clientId: string },
  tell: Tell,
): Promise<void> =>
  withDatabase(async ({ db, config }) => {
    const baseUrl = sourceAddress(address);
    if (baseUrl === null) throw new Error(`${address} is no address of http or https`);
    const secret = process.env['CADRO_SOURCE_SECRET'];
    if (!secret) throw new Error('CADRO_SOURCE_SECRET is not set');
    const sealedSecret = seal(config.secret, secret);
    const id = await addSource(db, { name, baseUrl, clientId, sealedSecret });
    await addJobs(db, [readingJob(id)]);
    tell(`source ${id} will be read by the job worker`);
  });

/** The command line of the operator. @param tell takes each line of what it says. */
export function cadroCommand(tell: Tell): Command {
  const cadro = new Command('cadro').description('What the operator of a Cadro does at the command line');
  cadro
    .command('add-source <name> <url> <client>')
    .description('a school’s system, its secret in CADRO_SOURCE_SECRET; the worker reads it at once')
    .action((name: string, address: string, clientId: string) =>
      newSource({ name, address, clientId }, tell),
    );
  cadro
    .command('read-source <source>')
    .description('has the worker read a school’s system at once, by the id that `sources` tells')
    .action((id: string) =>
      withDatabase(async ({ db }) => {
        if (!(await findSource(db, id))) throw new Error(`there is no source ${id}`);
        await addJobs(db, [readingJob(id)]);
        tell(`source ${id} will be read by the job worker`);
      }),
    );
  cadro
    .command('add-operator <name>')
    .description(
      'who may sign in at /operator, the password in CADRO_OPERATOR_PASSWORD; again: another password and key',
    )
    .action((name: string) =>
      withDatabase(async (deps) => {
        const password = process.env['CADRO_OPERATOR_PASSWORD'];
        if (!password) throw new Error('CADRO_OPERATOR_PASSWORD is not set');
        const { secret, uri } = await addOperator(deps, name, password);
        tell(await QRCode.toString(uri, { type: 'terminal', small: true }));
        tell(`The key for an authenticator app, shown once: ${secret}`);
        tell(`${name} may sign in at ${deps.config.publicUrl}/operator, where it is switched on`);
      }),
    );
  cadro
    .command('end-operator <name>')
    .description('who may sign in at /operator no longer, from the next request on')
    .action((name: string) =>
      withDatabase(async ({ db, clock }) =>
        tell((await endOperator(db, name, await clock.now())) ? 'It is so.' : 'There is no such operator.'),
      ),
    );
  cadro
    .command('trail-check')
    .description('reckons every seal of the trail anew')
    .option('--head <seal>', 'a last seal that was kept elsewhere: whether it still stands in the trail')
    .action(({ head }: { head?: string }) => withDatabase(({ db }) => checkedTrail(db, head ?? null, tell)));
  addCodes(cadro, tell);
  addAccess(cadro, withDatabase, tell);
  addBundles(cadro, withDatabase, tell);
  addState(cadro, withDatabase, tell);
  return cadro;
}
