import express, { Router } from 'express';
import { clientOf } from '../access';
import { arrivedPage } from './arrived';
import { faultKinds, type Fault, type Faults } from '../faults';
import type { Manner, Manners } from '../manners';
import { postMail, type InboundMail } from '../mail/provider';
import { answerLetters } from '../mail/teachers';
import type { Simulation } from '../simulation';
import { opensAt, readsFrom, schools } from '../story';

const isRow = (body: unknown): body is Record<string, unknown> =>
  typeof body === 'object' && body !== null && !Array.isArray(body);

/** The hand on the simulation: what a demo or a test asks of it, and no real school has. */
export function demoRouter(
  simulation: Simulation,
  { faults, manners }: { readonly faults: Faults; readonly manners: Manners },
  inbound: InboundMail,
  baseUrl: () => string,
): Router {
  const router = Router();
  router.use(express.json());
  router.get('/demo/story', (_request, response) => {
    const sources = schools.map(({ id, name }) => ({ name, baseUrl: `${baseUrl()}/${id}`, ...clientOf(id) }));
    response.json({ readsFrom, opensAt, sources });
  });
  router.get('/demo/clock', (_request, response) => void response.json({ now: simulation.now }));
  router.post('/demo/clock', async (request, response) => {
    const { now } = request.body as { now?: unknown };
    if (typeof now !== 'string' || Number.isNaN(Date.parse(now))) {
      return void response.status(400).json({ error: 'now is an instant' });
    }
    simulation.moveTo(new Date(now).toISOString());
    await answerLetters(simulation, (mime) => postMail(inbound, mime));
    response.json({ now: simulation.now });
  });
  router.get('/demo/letters', (_request, response) => void response.json({ letters: simulation.letters }));
  router.get('/demo/arrivals', (_request, response) => void response.json({ arrivals: simulation.arrivals }));
  router.get(
    '/demo/arrived',
    (_request, response) => void response.type('html').send(arrivedPage(simulation.arrivals)),
  );
  router.get('/demo/records/:school/:collection', ({ params }, response) => {
    response.json({ records: simulation.says(params.school, params.collection) });
  });
  router.put('/demo/records/:school/:collection/:id', ({ params, body }, response) => {
    const { school, collection, id } = params;
    if (!simulation.records.has(school) || !isRow(body))
      return void response.status(400).json({ error: 'a record of one of the schools is an object' });
    simulation.add(school, collection, id, body);
    response.json({ id });
  });
  router.put('/demo/faults', (request, response) => {
    const { faults: wanted } = request.body as { faults?: Fault[] };
    if (!Array.isArray(wanted) || wanted.some(({ kind }) => !faultKinds.includes(kind))) {
      return void response
        .status(400)
        .json({ error: `faults is a list; kinds are ${faultKinds.join(', ')}` });
    }
    faults.set(wanted);
    response.json({ faults: wanted });
  });
  router.put('/demo/manners', (request, response) => {
    const { manners: wanted } = request.body as { manners?: Manner[] };
    if (!Array.isArray(wanted)) return void response.status(400).json({ error: 'manners is a list' });
    manners.set(wanted);
    response.json({ manners: wanted });
  });
  return router;
}
