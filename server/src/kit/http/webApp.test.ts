import compression from 'compression';
import express from 'express';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import { webApp } from './webApp';

const folder = mkdtempSync(join(tmpdir(), 'cadro-app-'));
const scripts = join(folder, '_expo', 'static', 'js', 'web');
const app = express().use(compression());
beforeAll(() => {
  mkdirSync(scripts, { recursive: true });
  for (const name of ['brief-0c.js', 'brief-0c.js.br', 'firstEn-0d.js'])
    writeFileSync(join(scripts, name), '');
  writeFileSync(join(folder, 'index.html'), '<title>Cadro</title>');
  writeFileSync(join(folder, 'base.css'), 'a{}');
  writeFileSync(join(folder, 'offline.js'), 'self');
  writeFileSync(join(folder, '_expo', 'static', 'js', 'entry-0a1b.js'), 'x'.repeat(5000));
  const ahead = { scripts: ['brief', 'firstEn', 'nowhere'], answers: ['/api/me'] };
  app.use(webApp(folder, ({ path }) => (path === '/plain' ? { scripts: [], answers: [] } : ahead)));
});
afterAll(() => rmSync(folder, { recursive: true }));

describe('the built app', () => {
  it.each([
    ['a bundle, which has its hash in its name', '/_expo/static/js/entry-0a1b.js', /immutable/],
    ['a file without one', '/base.css', /^public, max-age=3600$/],
    ['what finds new versions', '/offline.js', /^no-cache$/],
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

  it('tells with a page what it will ask for', async () => {
    const linksOf = async (path: string): Promise<unknown> =>
      (await request(app).get(path).set('accept', 'text/html').expect(200)).headers['link'];
    expect(await linksOf('/brief')).toBe(
      [
        '</_expo/static/js/web/brief-0c.js>; rel=preload; as=script',
        '</_expo/static/js/web/firstEn-0d.js>; rel=preload; as=script',
        '</api/me>; rel=preload; as=fetch; crossorigin',
      ].join(', '),
    );
    expect(await linksOf('/plain')).toBeUndefined();
  });

  it('answers no data request with a page', async () => {
    await request(app).get('/courses').set('accept', 'application/json').expect(404);
  });
});
