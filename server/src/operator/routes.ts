import { mostLetters, operatorRoutes, type BodyOf, type OperatorChild } from '@cadro/contract';
import type { Router } from 'express';
import {
  addressOfCode,
  answerObjection,
  classesOf,
  classList,
  lettersApart,
  codesCsv,
  coursesOf,
  endLinkBySchool,
  giveCodes,
  lift,
  linksFor,
  nameAs,
  restrict,
  type RestrictingHooks,
} from '../household';
import {
  endSession,
  HttpProblem,
  mount,
  newRouter,
  Produced,
  zipOf,
  type Served,
  type ServerDeps,
} from '../kit';
import { namedFor } from '../records';
import { asOperator } from './asOperator';
import { requireOperator, signIn } from './signIn';
import { sourcePages } from './sourcePages';
import { stateOf } from './state';

/** So many children are shown of a search. */
const mostChildren = 100;

async function childOf({ db, clock }: ServerDeps, studentId: string): Promise<OperatorChild> {
  const [child] = await classList(db, { studentIds: [studentId] });
  if (!child) throw new HttpProblem('not-found');
  const { timeZone: _zone, ...shown } = child;
  const [people, named, courses] = await Promise.all([
    linksFor(db, [child]),
    namedFor(db, studentId),
    coursesOf(db, [studentId], await clock.now()),
  ]);
  return {
    child: shown,
    people: people.map(({ personId, person, role, since, ...more }) => ({
      ...{ personId, name: person, role, since: since.toISOString() },
      ...{ until: more.until, suspended: more.suspended, namedAs: more.namedAs, withheld: more.withheld },
    })),
    named: named.map(({ agent, name, relation }) => ({ agent, name, relation })),
    courses: courses.map(({ course_id: id, title }) => ({ id, title })),
  };
}

/** Codes for a list of children, each in a table and in a letter to print. */
async function classCodes(
  deps: ServerDeps,
  operatorId: string,
  { days, ...list }: BodyOf<typeof operatorRoutes.classCodes>,
): Promise<Produced> {
  const { db, clock, config } = deps;
  const now = await clock.now();
  const children = await classList(db, { ...list, most: mostLetters + 1 });
  if (children.length === 0) throw new HttpProblem('not-found');
  if (children.length > mostLetters) throw new HttpProblem('bad-request');
  const studentIds = children.map(({ studentId }) => studentId);
  const given = await giveCodes(db, { studentIds }, { issuer: 'school', role: 'guardian', days, now });
  const { publicUrl } = config;
  const letters = await lettersApart(deps, operatorId, { codes: given, publicUrl });
  const files = [
    { path: 'codes.csv', content: codesCsv(given, publicUrl) },
    { path: 'letters.pdf', content: letters },
  ];
  return new Produced(await zipOf(files, now), 'codes.zip');
}

/** Coming in and out, and how all is doing. */
function statePages(router: Served): void {
  mount(router, operatorRoutes.signIn, ({ deps, request, body }) => signIn(deps, request, body));
  mount(router, operatorRoutes.signOut, ({ request }) => endSession(request));
  mount(router, operatorRoutes.state, async ({ deps, request }) =>
    stateOf(deps.db, (await requireOperator(deps, request)).name),
  );
}

/** Children, who sees them, and codes for their families. */
function childPages(router: Served): void {
  mount(
    router,
    operatorRoutes.children,
    asOperator(async ({ deps: { db }, query: { name } }) => ({
      children: (await classList(db, { name, most: mostChildren })).map(
        ({ timeZone: _zone, ...child }) => child,
      ),
    })),
  );
  mount(
    router,
    operatorRoutes.child,
    asOperator(({ deps, params }) => childOf(deps, params.studentId)),
  );
  mount(
    router,
    operatorRoutes.codes,
    asOperator(async ({ deps: { db, clock, config }, body: { studentIds, days } }) => {
      const giving = { issuer: 'school', role: 'guardian', days, now: await clock.now() } as const;
      const given = await giveCodes(db, { studentIds }, giving);
      if (given.length < studentIds.length) throw new HttpProblem('not-found');
      const codes = given.map(({ studentId, code, until }) => ({
        ...{ studentId, code, until, address: addressOfCode(config.publicUrl, code) },
      }));
      return { codes };
    }),
  );
}

/** Lists of children, and codes for all of one. */
function classPages(router: Served): void {
  mount(
    router,
    operatorRoutes.classes,
    asOperator(async ({ deps: { db } }) => ({ classes: await classesOf(db) })),
  );
  mount(
    router,
    operatorRoutes.classCodes,
    asOperator(({ deps, request, body }) => classCodes(deps, request.session.operatorId ?? '', body)),
  );
}

/** What is held back, and whose access ends or stands. */
function accessPages(router: Served, hooks: RestrictingHooks): void {
  mount(
    router,
    operatorRoutes.restrict,
    asOperator(async ({ deps, params: { studentId }, body: { what, courseId, personId } }) => {
      if ((what === 'course') !== (courseId !== undefined)) throw new HttpProblem('bad-request');
      const { people, courses } = await childOf(deps, studentId);
      const knows = (list: readonly string[], id: string | undefined) =>
        id === undefined || list.includes(id);
      const known =
        knows(
          courses.map(({ id }) => id),
          courseId,
        ) &&
        knows(
          people.map((person) => person.personId),
          personId,
        );
      if (!known) return false;
      const held = { studentId, what, courseId: courseId ?? null, personId: personId ?? null };
      await restrict(deps, held, hooks);
      return true;
    }),
  );
  mount(
    router,
    operatorRoutes.lift,
    asOperator(({ deps, params }) => lift(deps, params.restrictionId)),
  );
  mount(
    router,
    operatorRoutes.nameAs,
    asOperator(({ deps, params, body: { agent } }) => nameAs(deps, { ...params, agent }, hooks)),
  );
  mount(
    router,
    operatorRoutes.end,
    asOperator(({ deps, params }) => endLinkBySchool(deps, params.studentId, params.personId)),
  );
  mount(
    router,
    operatorRoutes.restore,
    asOperator(({ deps, params }) => answerObjection(deps, params.studentId, params.personId)),
  );
}

/** The place of those who run this Cadro: no grade, no comment and no letter of anybody is told here. */
export function operatorRouter(given: ServerDeps, hooks: RestrictingHooks): Router {
  const router = newRouter(given);
  statePages(router);
  sourcePages(router);
  childPages(router);
  classPages(router);
  accessPages(router, hooks);
  return router;
}
