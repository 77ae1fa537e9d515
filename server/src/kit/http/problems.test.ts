import { problemCodes } from '@cadro/contract';
import { HttpProblem } from './problems';

it('each problem has its status, which a client goes by', () => {
  const statuses = problemCodes.map((code) => [code, new HttpProblem(code).status]);
  expect(Object.fromEntries(statuses)).toEqual({
    'bad-request': 400,
    'not-signed-in': 401,
    'wrong-credentials': 401,
    'second-step': 401,
    'too-many-tries': 429,
    forbidden: 403,
    'not-found': 404,
    'code-unknown': 404,
    'code-used': 409,
    'code-expired': 410,
    'already-linked': 409,
    'code-not-for-you': 409,
    'key-used': 422,
    'link-on-hold': 409,
    'link-over': 410,
    'address-known': 409,
    'weak-password': 422,
    'wrong-code': 401,
    'passkey-refused': 401,
    'database-away': 503,
    crowded: 503,
    'edited-meanwhile': 409,
    'teacher-without-contact': 422,
    'off-scale': 422,
    'no-way': 422,
    'plan-full': 422,
    'nothing-open': 422,
    'unreadable-file': 422,
    'child-not-in-file': 422,
    'several-in-file': 422,
    'under-way': 409,
    'unknown-thread': 422,
    'foreign-origin': 403,
    'too-large': 413,
    'source-unreachable': 503,
    internal: 500,
  });
});
