import type { RequestHandler } from 'express';
import type { DatabaseWatch } from '../db';
import { awayProblem, sendProblem } from './problems';

/** Who has waited for so long is worth a question whether anybody is there. */
const askAfterMs = 400;

/**
 * Answers 503 while the database is away, at once where it is known and within two seconds where it falls silent under
 * a request. What was asked may have been done all the same: whoever asks again, by the same key, is told.
 */
export const refuseWhileAway =
  (watch: DatabaseWatch): RequestHandler =>
  (_request, response, next) => {
    if (watch.away) return next(awayProblem());
    // What comes later, as keeping a session, would wait for the database, too.
    const end = response.end;
    const asking = setInterval(() => {
      // A stream that has begun is heard of by its own end.
      if (response.headersSent) return clearInterval(asking);
      void watch.answers().then((answered) => {
        if (answered || response.headersSent) return;
        response.end = end;
        sendProblem(response, awayProblem());
      });
    }, askAfterMs);
    response.once('close', () => clearInterval(asking));
    next();
  };
