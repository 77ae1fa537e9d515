import type { RequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { tellsError } from '../kit';

const none = '(none)';
/** The pattern of the route that answered. */
export const routeOf = (response: Response): string => String(response.locals?.['route'] ?? none);

/** Method, pattern of the address, status and time: enough to operate, nothing about a child, and no secret address. */
export const requestLog = (log: Logger): RequestHandler =>
  pinoHttp({
    logger: log,
    serializers: {
      err: tellsError,
      req: ({ method }: { method: string }) => ({ method }),
      res: (response: { statusCode: number }) => ({ status: response.statusCode }),
    },
    // Known when the answer goes out, and said once.
    customSuccessObject: (_request, response, said: object) => ({
      ...said,
      path: routeOf(response as Response),
    }),
    customErrorObject: (_request, response, _error, said: object) => ({
      ...said,
      path: routeOf(response as Response),
    }),
    customLogLevel: (request, response, error) => {
      if (error) return 'error';
      // The app's own files are no requests for anything of anybody.
      return routeOf(response as Response) === none && !/^\/(api|calendar)\b/i.test(request.url ?? '')
        ? 'silent'
        : 'info';
    },
  });
