import { tellsError, unnamed } from './log';

it.each([
  ['550 5.1.1 no mailbox maren.o’dell+kids@aldervane.example', '550 5.1.1 no mailbox (address)'],
  ['<maren@aldervane.example> refused', '<(address)> refused'],
  ['no child 2f1c7a52-3f0b-4c6e-9d3c-0a1b2c3d4e5f', 'no child (id)'],
  ['no child 2F1C7A52-3F0B-4C6E-9D3C-0A1B2C3D4E5F', 'no child (id)'],
  ['GET /calendar/Zq3v9aLm2Xw8Rt5yUo1pQe/cadro.ics', 'GET /calendar/Zq3v9aLm2Xw8Rt5yUo1pQe/cadro.ics'],
  ['the token Zq3v9aLm2Xw8Rt5yUo1pQe is none', 'the token (secret) is none'],
  ['invalid input syntax for type uuid: "Pet’s homework"', 'invalid input syntax for type uuid: "…"'],
  [
    'insert into "notes" ("text") values ($1) - invalid input syntax for type json: "Pet says"',
    'insert into "notes" ("text") values ($1) - invalid input syntax for type json: "…"',
  ],
  ['Unexpected token \'P\', "Pet said" is not valid JSON', 'Unexpected token \'P\', "…" is not valid JSON'],
  ['connect ECONNREFUSED 127.0.0.1:5432', 'connect ECONNREFUSED 127.0.0.1:5432'],
  ['the database answers again', 'the database answers again'],
])('%s', (said, kept) => {
  expect(unnamed(said)).toBe(kept);
});

it('of an error it tells what it is and where it came from', () => {
  const cause = new Error('no mailbox pet@aldervane.example');
  const error = Object.assign(new Error('a letter to pet@aldervane.example', { cause }), {
    ...{
      code: '23505',
      constraint: 'guardians_email',
      detail: 'Key (email)=(pet@aldervane.example) already exists.',
    },
    parameters: ['pet@aldervane.example'],
  });
  const told = tellsError(error);
  expect(JSON.stringify(told)).not.toMatch(/pet@/);
  expect(told).toMatchObject({
    ...{ type: 'Error', code: '23505', constraint: 'guardians_email', message: 'a letter to (address)' },
    cause: { message: 'no mailbox (address)' },
    stack: expect.stringMatching(/^ {4}at .*log\.test\.ts/),
  });
  expect(tellsError('pet@aldervane.example')).toEqual({ message: '(address)' });
});
