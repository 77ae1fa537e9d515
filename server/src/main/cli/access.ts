import { withheld, type Withheld } from '@cadro/contract';
import { Option, type Command } from 'commander';
import {
  answerObjection,
  classList,
  endLinkBySchool,
  lift,
  linksFor,
  nameAs,
  openObjections,
  restrict,
  restrictions,
  unmetRestrictions,
} from '../../household';
import { namedFor } from '../../records';
import { restrictingHooks } from '../hooks';
import { filterOf, ofClass, type Class, type Tell, type WithDatabase } from './shared';

function addLinks(cadro: Command, withDatabase: WithDatabase, tell: Tell): void {
  ofClass(cadro.command('links'))
    .description('who can see a child, with the ids for other commands')
    .action((options: Class) =>
      withDatabase(async ({ db }) => {
        for (const row of await linksFor(db, await classList(db, filterOf(options)))) {
          const state = row.suspended ? 'on hold' : (row.until ?? '');
          const { studentId, child, personId, person, role, since, withheld: held } = row;
          const cells = [studentId, child, personId, person, role, since.toISOString(), state];
          tell([...cells, held.join(' ')].join('\t'));
        }
      }),
    );
  cadro
    .command('objections')
    .description('links a guardian has objected to, waiting for the school’s answer')
    .action(() =>
      withDatabase(async ({ db }) => {
        for (const row of await openObjections(db))
          tell([row.studentId, row.child, row.personId, row.person, row.at.toISOString()].join('\t'));
      }),
    );
  const one = (name: string, what: string) =>
    cadro
      .command(name)
      .description(what)
      .requiredOption('--child <id>', 'whose record')
      .requiredOption('--person <id>', 'whose link');
  one('restore', 'answer an objection: the link opens the record again').action(
    ({ child, person }: { child: string; person: string }) =>
      withDatabase(async (deps) => {
        const done = await answerObjection(deps, child, person);
        tell(done ? 'The link opens the record again.' : 'Nobody has objected to that link.');
      }),
  );
  one('end-link', 'end a link, from the next request on').action(
    ({ child, person }: { child: string; person: string }) =>
      withDatabase(async (deps) => {
        const done = await endLinkBySchool(deps, child, person);
        tell(done ? 'The link has ended.' : 'There’s no such link.');
      }),
  );
}

/** Whom the school names for a child, and who of those who see it that is. */
function addNamed(cadro: Command, withDatabase: WithDatabase, tell: Tell): void {
  cadro
    .command('named')
    .description('the people the school lists for a child, and whose links those are')
    .requiredOption('--child <id>', 'for whom')
    .action(({ child }: { child: string }) =>
      withDatabase(async ({ db }) => {
        const links = await linksFor(db, await classList(db, { studentIds: [child] }));
        for (const { agent, name, relation } of await namedFor(db, child)) {
          const whose = links.filter(({ namedAs }) => namedAs === agent).map(({ personId }) => personId);
          tell([agent, name, relation, whose.join(' ')].join('\t'));
        }
      }),
    );
  cadro
    .command('name-as')
    .description('match a person to the school’s list when their addresses differ')
    .requiredOption('--child <id>', 'whose record')
    .requiredOption('--person <id>', 'whose link')
    .option('--as <id>', 'an id that `named` shows; leave it out for none of them')
    .action(({ child: studentId, person: personId, as }: { child: string; person: string; as?: string }) =>
      withDatabase(async (deps) => {
        const done = await nameAs(deps, { studentId, personId, agent: as ?? null }, restrictingHooks);
        tell(done ? 'Done.' : 'There’s no such link.');
      }),
    );
}

interface Holding {
  readonly child: string;
  readonly what: Withheld;
  readonly course?: string;
  readonly person?: string;
}

/** What the school holds back of a child's record, from one person or from all but the child. */
function addRestrictions(cadro: Command, withDatabase: WithDatabase, tell: Tell): void {
  cadro
    .command('restrictions')
    .description('what is withheld, about whom and from whom')
    .action(() =>
      withDatabase(async ({ db }) => {
        for (const { id, given_name, what, course_title, name, made_at } of await restrictions(db))
          tell([id, given_name, what, course_title ?? '', name ?? 'all', made_at.toISOString()].join('\t'));
        for (const { student_id, given_name, what, course_title, name } of await unmetRestrictions(db))
          tell(['not known here', student_id, given_name, what, course_title ?? '', name ?? ''].join('\t'));
      }),
    );
  cadro
    .command('restrict')
    .description('withhold something, from the next request on')
    .requiredOption('--child <id>', 'of whose record')
    .addOption(new Option('--what <what>', 'what').choices([...withheld]).makeOptionMandatory())
    .option('--course <id>', 'which course, with --what course')
    .option('--person <id>', 'from whom; if left out, from everyone but the child')
    .action(({ child: studentId, what, course, person }: Holding) =>
      withDatabase(async (deps) => {
        if ((what === 'course') !== (course !== undefined))
          throw new Error('--course goes with --what course');
        const held = { studentId, what, courseId: course ?? null, personId: person ?? null };
        tell(
          (await restrict(deps, held, restrictingHooks)) ? 'It’s withheld now.' : 'It was already withheld.',
        );
      }),
    );
  cadro
    .command('lift <restriction>')
    .description('end a restriction, by its id')
    .action((id: string) =>
      withDatabase(async (deps) =>
        tell((await lift(deps, id)) ? 'It’s no longer withheld.' : 'There’s no such restriction.'),
      ),
    );
}

/** Who sees a child's record, whom the school names for it, and what it holds back. */
export function addAccess(cadro: Command, withDatabase: WithDatabase, tell: Tell): void {
  addLinks(cadro, withDatabase, tell);
  addNamed(cadro, withDatabase, tell);
  addRestrictions(cadro, withDatabase, tell);
}
