import { operatorRoutes, type OperatorSource } from '@cadro/contract';
import { isTimeZone } from '@cadro/core';
import { addJobs, HttpProblem, mount, seal, type Db, type Served } from '../kit';
import {
  addBundleSource,
  addSource,
  answerBundle,
  bundlesOf,
  BundleTooLarge,
  findSource,
  problemsOf,
  readingJob,
  receiveBundle,
  sourceProblems,
  sourceAddress,
  steerSource,
  underWay,
  untoldOf,
} from '../sources';
import { asOperator } from './asOperator';

const iso = (at: Date | null): string | null => at?.toISOString() ?? null;

/** The schools as they are read, with the last files of those that hand some over. */
export async function sourceStates(db: Db): Promise<OperatorSource[]> {
  const sources = await sourceProblems(db);
  const bundles = await bundlesOf(
    db,
    sources.flatMap(({ id, kind }) => (kind === 'bundles' ? [id] : [])),
  );
  const isRead = await underWay(db, sources);
  return sources.map((row) => ({
    ...{ id: row.id, name: row.name, kind: row.kind, baseUrl: row.base_url, failure: row.failure },
    ...{ readAt: iso(row.read_at), failingSince: iso(row.failing_since), aside: Number(row.aside) },
    untold: untoldOf(row.parts),
    ...{ paused: row.paused_at !== null, progress: isRead(row) ? row.progress : null, shrinks: row.shrinks },
    bundles: bundles
      .filter(({ source_id }) => source_id === row.id)
      .map(({ id, name, state, fault, ask, records, problems, came_at }) => ({
        ...{ id, name, state, fault, ask, records, problems, cameAt: came_at.toISOString() },
      })),
  }));
}

function checkZone(timeZone: string | undefined): void {
  if (timeZone === undefined || isTimeZone(timeZone)) return;
  throw new HttpProblem('bad-request', { errors: [{ path: '/timeZone', message: 'is no time zone' }] });
}

function systemPages(router: Served): void {
  mount(
    router,
    operatorRoutes.addSource,
    asOperator(async ({ deps: { db, config }, body: { clientSecret, ...source } }) => {
      checkZone(source.timeZone);
      const baseUrl = sourceAddress(source.baseUrl);
      if (baseUrl === null)
        throw new HttpProblem('bad-request', {
          errors: [{ path: '/baseUrl', message: 'is no address of http or https' }],
        });
      const id = await addSource(db, { ...source, baseUrl, sealedSecret: seal(config.secret, clientSecret) });
      await addJobs(db, [readingJob(id)]);
    }),
  );
  mount(
    router,
    operatorRoutes.readSource,
    asOperator(async ({ deps: { db }, params: { sourceId } }) => {
      if (!(await findSource(db, sourceId))) return false;
      await addJobs(db, [readingJob(sourceId)]);
      return true;
    }),
  );
  mount(
    router,
    operatorRoutes.steerSource,
    asOperator(async ({ deps: { db, clock }, params: { sourceId }, body: { what } }) => {
      if (!(await steerSource(db, sourceId, what, await clock.now()))) return false;
      if (what === 'resume' || what === 'let-go') await addJobs(db, [readingJob(sourceId)]);
      return true;
    }),
  );
  mount(
    router,
    operatorRoutes.sourceProblems,
    asOperator(async ({ deps: { db }, params: { sourceId } }) => ({
      problems: (await problemsOf(db, [sourceId])).map((row) => ({
        ...{ collection: row.collection, externalId: row.external_id, fault: row.fault },
        ...{ detail: row.reason, seenAt: row.seen_at.toISOString() },
      })),
    })),
  );
}

/** Schools that hand over files. */
function bundlePages(router: Served): void {
  mount(
    router,
    operatorRoutes.addBundleSource,
    asOperator(async ({ deps: { db }, body }) => {
      checkZone(body.timeZone);
      return { id: await addBundleSource(db, body) };
    }),
  );
  mount(
    router,
    operatorRoutes.putBundle,
    asOperator(async ({ deps, params: { sourceId }, query: { name }, request }) => {
      const source = await findSource(deps.db, sourceId);
      if (source?.kind !== 'bundles' || source.household_id !== null) throw new HttpProblem('not-found');
      const id = await receiveBundle(deps, sourceId, { name, stream: request }).catch((cause: unknown) => {
        throw cause instanceof BundleTooLarge ? new HttpProblem('too-large', { cause }) : cause;
      });
      return { id };
    }),
  );
  mount(
    router,
    operatorRoutes.answerBundle,
    asOperator(async ({ deps: { db, clock }, params: { bundleId }, body: { answer } }) => {
      const sourceId = await answerBundle(db, bundleId, answer, await clock.now());
      if (sourceId === null) return false;
      await addJobs(db, [readingJob(sourceId)]);
      return true;
    }),
  );
}

/** Sources: systems that are asked, and files that are handed over. */
export function sourcePages(router: Served): void {
  systemPages(router);
  bundlePages(router);
}
