import express from 'express';
import pino from 'pino';
import { setTimeout as wait } from 'node:timers/promises';
import request from 'supertest';
import type { DatabaseWatch } from '../db';
import { answerProblems } from './problems';
import { refuseWhileAway } from './whileAway';

/** A server whose database is as it is told, with what it was asked. */
function served({ away = false, answers = true }: { away?: boolean; answers?: boolean }) {
  const asked = jest.fn(() => Promise.resolve(answers));
  const watch = { away, answers: asked } as Partial<DatabaseWatch> as DatabaseWatch;
  const app = express();
  app.use(refuseWhileAway(watch));
  app.get('/quick', (_request, response) => void response.json({ ok: true }));
  app.get('/long', async (_request, response) => {
    await wait(900);
    if (!response.writableEnded) response.json({ ok: true });
  });
  app.get('/stream', async (_request, response) => {
    response.writeHead(200, { 'content-type': 'text/event-stream' });
    response.write('retry: 3000\n\n');
    await wait(1_300);
    response.end();
  });
  app.use(answerProblems(pino({ level: 'silent' }), watch));
  return { app, asked };
}

it('asks nothing for who is answered at once', async () => {
  const { app, asked } = served({});
  await request(app).get('/quick').expect(200);
  expect(asked).not.toHaveBeenCalled();
});

it('lets who waits wait on while the database answers', async () => {
  const { app, asked } = served({});
  await request(app).get('/long').expect(200);
  expect(asked).toHaveBeenCalled();
});

it('answers who waits where it does not, and what comes later is not heard', async () => {
  const { app } = served({ answers: false });
  const { body, headers } = await request(app).get('/long').expect(503);
  expect([body.code, headers['retry-after']]).toEqual(['database-away', '3']);
});

it('asks nothing for a stream that has begun', async () => {
  const { app, asked } = served({ answers: false });
  await request(app).get('/stream').expect(200);
  expect(asked).not.toHaveBeenCalled();
});

it('refuses at once where it is known', async () => {
  const { app } = served({ away: true });
  await request(app).get('/quick').expect(503);
});
