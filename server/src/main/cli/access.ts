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
    .description('who sees which child, with the ids that other commands take')
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
    .description('links that a guardian has objected to and the school has not answered')
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
  one('restore', 'answers an objection: the link opens the record again').action(
    ({ child, person }: { child: string; person: string }) =>
      withDatabase(async (deps) => {
        const done = await answerObjection(deps, child, person);
        tell(done ? 'The link opens the record again.' : 'Nobody has objected to such a link.');
      }),
  );
  one('end-link', 'ends a link, from the next request on').action(
    ({ child, person }: { child: string; person: string }) =>
      withDatabase(async (deps) => {
        const done = await endLinkBySchool(deps, child, person);
        tell(done ? 'The link has ended.' : 'There is no such link.');
      }),
  );
}

/** Whom the school names for a child, and who of those who see it that is. */
function addNamed(cadro: Command, withDatabase: WithDatabase, tell: Tell): void {
  cadro
    .command('named')
    .description('whom the school names for a child, and whose link that is')
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
    .description('says as whom the school names somebody, where their addresses differ')
    .requiredOption('--child <id>', 'whose record')
    .requiredOption('--person <id>', 'whose link')
    .option('--as <id>', 'as `named` tells it; as nobody where it is left out')
    .action(({ child: studentId, person: personId, as }: { child: string; person: string; as?: string }) =>
      withDatabase(async (deps) => {
        const done = await nameAs(deps, { studentId, personId, agent: as ?? null }, restrictingHooks);
        tell(done ? 'It is so.' : 'There is no such link.');
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
    .description('what is held back, of whom and from whom')
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
    .description('holds something back, from the next request on')
    .requiredOption('--child <id>', 'of whose record')
    .addOption(new Option('--what <what>', 'what').choices([...withheld]).makeOptionMandatory())
    .option('--course <id>', 'which course, where it is one')
    .option('--person <id>', 'from whom; from all but the child where nobody is named')
    .action(({ child: studentId, what, course, person }: Holding) =>
      withDatabase(async (deps) => {
        if ((what === 'course') !== (course !== undefined))
          throw new Error('--course goes with --what course');
        const held = { studentId, what, courseId: course ?? null, personId: person ?? null };
        tell(
          (await restrict(deps, held, restrictingHooks)) ? 'It is held back.' : 'It was held back already.',
        );
      }),
    );
  cadro
    .command('lift <restriction>')
    .description('ends a restriction, by its id')
    .action((id: string) =>
      withDatabase(async (deps) =>
        tell((await lift(deps, id)) ? 'It is held back no longer.' : 'There is no such restriction.'),
      ),
    );
}

/** Who sees a child's record, whom the school names for it, and what it holds back. */
export function addAccess(cadro: Command, withDatabase: WithDatabase, tell: Tell): void {
  addLinks(cadro, withDatabase, tell);
  addNamed(cadro, withDatabase, tell);
  addRestrictions(cadro, withDatabase, tell);
}
