import { isAway } from './faults';

const saidAfter = (statement: string) => (said: string) => new Error(statement + said);

it.each([
  ['by itself', saidAfter('')],
  ['after a statement', saidAfter('select "id" from "children" where "id" = $1 - ')],
  ['after the end of a transaction', saidAfter('ROLLBACK - ')],
])('a driver that has lost its connection says so %s', (_how, sentence) => {
  for (const said of [
    'Connection terminated',
    'Connection terminated unexpectedly',
    'Connection terminated due to connection timeout',
    'Client has encountered a connection error and is not queryable',
    'Client was closed and is not queryable',
    'timeout expired',
    'Query read timeout',
  ])
    expect(isAway(sentence(said))).toBe(true);
});

it('what somebody has written is no fault of the connection', () => {
  for (const said of [
    'insert into "notes" - Connection terminated - value too long for type character varying(10)',
    'invalid input syntax: "Client was closed and is not queryable"',
    'select 1 - syntax error',
  ])
    expect(isAway(new Error(said))).toBe(false);
});
