import compression from 'compression';
import express from 'express';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import { webApp } from './webApp';

const folder = mkdtempSync(join(tmpdir(), 'cadro-app-'));
const app = express().use(compression(), webApp(folder));
beforeAll(() => {
  mkdirSync(join(folder, '_expo', 'static', 'js'), { recursive: true });
  writeFileSync(join(folder, 'index.html'), '<title>Cadro</title>');
  writeFileSync(join(folder, 'base.css'), 'a{}');
  writeFileSync(join(folder, '_expo', 'static', 'js', 'entry-0a1b.js'), 'x'.repeat(5000));
});
afterAll(() => rmSync(folder, { recursive: true }));

describe('the built app', () => {
  it.each([
    ['a bundle, which has its hash in its name', '/_expo/static/js/entry-0a1b.js', /immutable/],
    ['a file without one', '/base.css', /^public, max-age=3600$/],
    ['the page that names the bundles', '/', /^no-cache$/],
    ['a screen’s own address', '/courses/a/b', /^no-cache$/],
  ])('%s', async (_name, path, caching) => {
    const answer = await request(app).get(path).set('accept', 'text/html,*/*').expect(200);
    expect(answer.headers['cache-control']).toMatch(caching);
  });

  it('is compressed', async () => {
    const answer = await request(app)
      .get('/_expo/static/js/entry-0a1b.js')
      .set('accept-encoding', 'gzip')
      .expect(200);
    expect(answer.headers['content-encoding']).toBe('gzip');
  });

  it.each([
    ['a bundle of another build', '/_expo/static/js/entry-gone.js'],
    ['what lies outside', '/..%2f..%2fetc/passwd.txt'],
  ])('has no page for %s', async (_name, path) => {
    expect((await request(app).get(path).set('accept', 'text/html')).status).toBe(404);
  });

  it('answers no data request with a page', async () => {
    await request(app).get('/courses').set('accept', 'application/json').expect(404);
  });
});
