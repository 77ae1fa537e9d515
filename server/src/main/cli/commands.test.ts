import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { text } from 'node:stream/consumers';
import { proposePlan } from '@cadro/core';
import { packExactly } from '../../plan';
import { programArgs } from '../../testing/programs';
import { answerCase } from './answerCase';

const root = join(__dirname, '..', '..', '..', '..');

/** The command as it is started, a process of its own. */
async function command(
  name: 'figures' | 'offers' | 'plan',
  input: string,
): Promise<{ code: number | null; out: string; err: string }> {
  const args = programArgs(`server/src/main/cli/${name}.ts`, `server/${name}.cjs`);
  const child = spawn(process.execPath, args);
  child.stdin.end(input);
  const ended = new Promise<number | null>((done, fail) => child.once('close', done).once('error', fail));
  const [out, err] = await Promise.all([text(child.stdout), text(child.stderr)]);
  return { code: await ended, out, err };
}

const figures = (input: string) => command('figures', input);

const course = {
  kind: 'course',
  record: {
    id: 'k',
    asOf: '2026-10-21T18:00:00Z',
    policy: { method: 'points', termEnd: '2026-11-06T23:59:00Z' },
    categories: [{ id: 'c' }],
    items: [{ id: 'a', categoryId: 'c', possible: 20 }],
    results: [{ itemId: 'a', at: '2026-10-02T12:00:00.750-03:00', status: 'scored', earned: 17 }],
  },
  targets: [80],
  since: '2026-09-01T00:00:00Z',
};

describe('the figures command', () => {
  it('answers every case in its place, also beside broken ones', async () => {
    const cases = [
      course,
      { kind: 'nobody' },
      { kind: 'compose', parts: [{ weight: 1, fraction: 0.5 }] },
      7,
      { kind: 'gpa', points: { A: 4 }, courses: [{ letter: 'A', credits: 1 }] },
    ];
    const { code, out, err } = await figures(JSON.stringify(cases));
    expect({ code, err }).toEqual({ code: 0, err: '' });
    expect(JSON.parse(out)).toMatchObject([
      {
        posted: 85,
        needed: [{ target: 80, status: 'secured', x: 0 }],
        moved: [{ itemId: 'a', at: '2026-10-02T15:00:00Z', delta: null }],
      },
      { error: { path: '/kind' } },
      { fraction: 0.5 },
      { error: { path: '/kind' } },
      { gpa: 4 },
    ]);
  });

  it.each([
    ['nothing', '', /not JSON/],
    ['half of it', '[{"kind": "course"', /not JSON/],
    ['no array', '{"kind": "course"}', /must hold a JSON array/],
  ])('says so when it reads %s', async (_name, input, message) => {
    const { code, out, err } = await figures(input);
    expect({ code, out }).toEqual({ code: 1, out: '' });
    expect(err).toMatch(message);
  });

  it('answers a great many at once', async () => {
    const cases = Array.from({ length: 10_000 }, (_, index) => ({ ...course, id: String(index) }));
    const { code, out } = await figures(JSON.stringify(cases));
    expect(code).toBe(0);
    expect((JSON.parse(out) as unknown[]).length).toBe(10_000);
  });
});

it('agrees with the published cases to the letter of their errors', async () => {
  const load = (name: string) =>
    JSON.parse(readFileSync(join(root, 'core/src/conformance', name), 'utf8')) as Record<string, unknown>[];
  const [cases, answers] = [load('cases.json'), load('answers.json')];
  for (const [index, each] of cases.entries()) {
    const answer = (await answerCase(each)) as Record<string, unknown>;
    expect({ index, error: 'error' in answer }).toEqual({ index, error: 'error' in (answers[index] ?? {}) });
    if ('error' in answer) {
      expect(answer['error']).toEqual({
        path: expect.stringMatching(/^\//) as string,
        message: expect.any(String) as string,
      });
    }
  }
});

it('tells where in the record an inconsistency is', async () => {
  const twice = { ...course, record: { ...course.record, categories: [{ id: 'c' }, { id: 'c' }] } };
  expect(await answerCase(twice)).toEqual({
    error: { path: '/record/categories/1/id', message: "'c' is given twice" },
  });
});

describe('the offers command', () => {
  it('answers every comment in its place, also beside broken ones', async () => {
    const comment = { writtenAt: '2026-10-21T18:00:00Z', timeZone: 'America/Halifax', lang: 'en' };
    const { code, out } = await command(
      'offers',
      JSON.stringify([
        { ...comment, id: 'a', text: 'You may redo the map until Friday for half credit.' },
        { ...comment, id: 'b', text: 'The test was on 6 October.' },
        { ...comment, id: 'c', text: 'x', timeZone: 'Sorrel/Quay' },
        { ...comment, id: 'd', text: 'x', writtenAt: '2026-02-30T12:00:00Z' },
      ]),
    );
    expect(code).toBe(0);
    expect(JSON.parse(out)).toEqual([
      {
        id: 'a',
        offers: [
          {
            kind: 'redo',
            until: '2026-10-23',
            credit: 0.5,
            quote: 'You may redo the map until Friday for half credit',
          },
        ],
      },
      { id: 'b', offers: [] },
      { id: 'c', error: { path: '/timeZone', message: 'is no time zone' } },
      { id: 'd', error: { path: '/writtenAt', message: expect.any(String) as string } },
    ]);
  });
});

describe('the plan command', () => {
  const evenings = [{ date: '2026-11-02', minutes: 30 }];
  const task = { id: 'map', minutes: 20, gain: 1, deadline: '2026-11-02', notBefore: null };

  it.each([
    [
      'a plan',
      { tasks: [task], evenings },
      { gain: 1, evenings: [{ date: '2026-11-02', taskIds: ['map'] }] },
    ],
    [
      'negative minutes',
      { tasks: [{ ...task, minutes: -5 }], evenings },
      { error: { path: '/tasks/0/minutes' } },
    ],
    [
      'no calendar day',
      { tasks: [], evenings: [{ date: '2026-02-30', minutes: 5 }] },
      { error: { path: '/evenings/0/date' } },
    ],
    ['a task given twice', { tasks: [task, task], evenings }, { error: { path: '/tasks/1/id' } }],
    [
      'more tasks than can be weighed',
      { tasks: Array.from({ length: 10_000 }, (_, index) => ({ ...task, id: `t${index}` })), evenings },
      { error: { path: '/tasks', message: 'must NOT have more than 40 items' } },
    ],
  ])('answers %s', async (_name, asked, answer) => {
    const { out } = await command('plan', JSON.stringify([{ id: 'q', ...asked }]));
    expect(JSON.parse(out)).toMatchObject([{ id: 'q', ...answer }]);
  });

  it('proves a full fortnight of forty tasks', async () => {
    const tasks = Array.from({ length: 40 }, (_, index) => ({
      id: `t${index}`,
      minutes: 15 + ((index * 7) % 11) * 5,
      gain: ((index * 37) % 100) / 20,
    }));
    const fortnight = Array.from({ length: 14 }, (_, index) => ({
      date: `2026-11-${String(index + 1).padStart(2, '0')}`,
      minutes: 30 + ((index * 5) % 4) * 15,
    }));
    const { plan, proven } = await proposePlan(tasks, fortnight, packExactly);
    expect(proven).toBe(true);
    const rate = [...tasks].sort((a, b) => b.gain / b.minutes - a.gain / a.minutes);
    let left = fortnight.reduce((sum, { minutes }) => sum + minutes, 0);
    const atMost = rate.reduce((sum, { gain, minutes }) => {
      const share = Math.min(1, left / minutes);
      left -= share * minutes;
      return sum + share * gain;
    }, 0);
    expect(plan.gain).toBeLessThanOrEqual(atMost + 1e-9);
    expect(plan.gain).toBeGreaterThan(0.95 * atMost);
  });
});
