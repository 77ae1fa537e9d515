import { readdirSync } from 'node:fs';
import { Router, type Request } from 'express';
import expressStaticGzip from 'express-static-gzip';

/** Bundles carry their content's hash in their name; the page that names them must be fresh, and what finds new versions. */
const forever = 'public, max-age=31536000, immutable';

/** What a page will ask for, told with it: a script by the name of what it holds, an answer by its path. */
export interface Ahead {
  readonly scripts: readonly string[];
  readonly answers: readonly string[];
}

/** Where each script stands, by the name it has without the hash of what is in it; none where no app was built. */
function scriptsIn(appDir: string): ReadonlyMap<string, string> {
  const entries = readdirSync(appDir, { recursive: true, encoding: 'utf8' });
  return new Map(
    entries.flatMap((entry) => {
      const [, name] = /^_expo\/static\/js\/web\/(\w+)-\w+\.js$/.exec(entry) ?? [];
      return name ? [[name, `/${entry}`] as const] : [];
    }),
  );
}

/**
 * Serves the built app, as it was compressed when it was built; every path that is no file is a screen of its own.
 * @param aheadOf what the page of a path asks for first.
 */
export function webApp(
  appDir: string,
  aheadOf: (request: Request) => Ahead = () => ({ scripts: [], answers: [] }),
): Router {
  const scripts = scriptsIn(appDir);
  const linksOf = (request: Request): string => {
    const ahead = aheadOf(request);
    return [
      ...ahead.scripts.flatMap((name) => {
        const path = scripts.get(name);
        return path ? [`<${path}>; rel=preload; as=script`] : [];
      }),
      ...ahead.answers.map((path) => `<${path}>; rel=preload; as=fetch; crossorigin`),
    ].join(', ');
  };
  const router = Router();
  router.use(
    expressStaticGzip(appDir, {
      index: false,
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      serveStatic: {
        setHeaders: (response, path) => {
          const hashed = path.includes('/_expo/static/') || path.includes('/assets/');
          const usual = path.includes('/offline.js') ? 'no-cache' : 'public, max-age=3600';
          response.setHeader('cache-control', hashed ? forever : usual);
        },
      },
    }),
  );
  router.get('/{*screen}', (request, response, next) => {
    if (!request.accepts('html') || /\.\w+$/.test(request.path)) return next();
    response.setHeader('cache-control', 'no-cache');
    response.vary('accept-language, cookie');
    const links = linksOf(request);
    if (links) response.setHeader('link', links);
    response.sendFile('index.html', { root: appDir });
  });
  return router;
}
