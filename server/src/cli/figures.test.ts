import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { text } from 'node:stream/consumers';
import { answerCase } from './answerCase';

const root = join(__dirname, '..', '..', '..');

/** The command as it is started, a process of its own. */
async function figures(input: string): Promise<{ code: number | null; out: string; err: string }> {
  const child = spawn(join(root, 'node_modules/.bin/tsx'), [join(__dirname, 'figures.ts')]);
  child.stdin.end(input);
  const ended = new Promise<number | null>((done) => child.once('close', done));
  const [out, err] = await Promise.all([text(child.stdout), text(child.stderr)]);
  return { code: await ended, out, err };
}

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

it('agrees with the published cases to the letter of their errors', () => {
  const load = (name: string) =>
    JSON.parse(readFileSync(join(root, 'core/src/conformance', name), 'utf8')) as Record<string, unknown>[];
  const [cases, answers] = [load('cases.json'), load('answers.json')];
  cases.forEach((each, index) => {
    const answer = answerCase(each) as Record<string, unknown>;
    expect({ index, error: 'error' in answer }).toEqual({ index, error: 'error' in (answers[index] ?? {}) });
    if ('error' in answer) {
      expect(answer['error']).toEqual({
        path: expect.stringMatching(/^\//) as string,
        message: expect.any(String) as string,
      });
    }
  });
});

it('tells where in the record an inconsistency is', () => {
  const twice = { ...course, record: { ...course.record, categories: [{ id: 'c' }, { id: 'c' }] } };
  expect(answerCase(twice)).toEqual({
    error: { path: '/record/categories/1/id', message: "'c' is given twice" },
  });
});
