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

/** The names this machine has for itself: a page that was opened by one is no other's. */
const loopback = ['127.0.0.1', 'localhost', '[::1]'];

/** Where Cadro's own pages are. */
export function ownOrigins({ publicUrl }: Pick<Config, 'publicUrl'>): string[] {
  const url = new URL(publicUrl);
  if (!loopback.includes(url.hostname)) return [url.origin];
  return loopback.map((name) => `${url.protocol}//${name}${url.port ? `:${url.port}` : ''}`);
}

/** A write must come from Cadro's own pages: browsers say where it comes from. */
export const ownOriginOnly =
  (config: Config): RequestHandler =>
  (request, _response, next) => {
    if (reads.has(request.method)) return next();
    const origin = request.get('origin');
    const site = request.get('sec-fetch-site');
    const foreign = origin
      ? !ownOrigins(config).includes(origin)
      : site !== undefined && site !== 'same-origin' && site !== 'none';
    next(foreign ? new HttpProblem('foreign-origin') : undefined);
  };
