import { Router } from 'express';
import expressStaticGzip from 'express-static-gzip';

/** Bundles carry their content's hash in their name; the page that names them must be fresh. */
const forever = 'public, max-age=31536000, immutable';

/** Serves the built app, as it was compressed when it was built; every path that is no file is a screen of its own. */
export function webApp(appDir: string): Router {
  const router = Router();
  router.use(
    expressStaticGzip(appDir, {
      index: false,
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      serveStatic: {
        setHeaders: (response, path) => {
          const hashed = path.includes('/_expo/static/') || path.includes('/assets/');
          response.setHeader('cache-control', hashed ? forever : 'public, max-age=3600');
        },
      },
    }),
  );
  router.get('/{*screen}', (request, response, next) => {
    if (!request.accepts('html') || /\.\w+$/.test(request.path)) return next();
    response.setHeader('cache-control', 'no-cache');
    response.sendFile('index.html', { root: appDir });
  });
  return router;
}
