import type { RequestHandler } from 'express';
import helmet from 'helmet';
import type { Config } from '../config';
import { HttpProblem } from './problems';

/** Nothing from elsewhere, nothing inline. */
export const headers = (config: Config): RequestHandler =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        // The hash is that of an empty text: the style element whose rules the app adds by script.
        styleSrc: ["'self'", "'sha256-47DEQpj8HBSa+/TImW+5JCeuQeRkm5NMpJWZG3hSuFU='"],
        imgSrc: ["'self'", 'data:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    strictTransportSecurity: config.publicUrl.startsWith('https:'),
    crossOriginOpenerPolicy: { policy: 'same-origin' },
    referrerPolicy: { policy: 'no-referrer' },
  });

const reads = new Set(['GET', 'HEAD', 'OPTIONS']);

/** A write must come from Cadro's own pages: browsers say where it comes from. */
export const ownOriginOnly =
  (config: Config): RequestHandler =>
  (request, _response, next) => {
    if (reads.has(request.method)) return next();
    const origin = request.get('origin');
    const site = request.get('sec-fetch-site');
    const foreign = origin
      ? origin !== new URL(config.publicUrl).origin
      : site !== undefined && site !== 'same-origin' && site !== 'none';
    next(foreign ? new HttpProblem('foreign-origin') : undefined);
  };
