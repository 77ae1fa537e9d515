import Ajv from 'ajv';
import addFormats from 'ajv-formats';
import { allRoutes, CourseRecord, openApiDocument, permissions, rolesAllowed, SignIn } from '..';
import { misfits, parse, ParseError, parseText } from './parse';

describe('the contract', () => {
  it('has one operation per method and path', () => {
    const keys = allRoutes.map(({ method, path }) => `${method} ${path}`);
    expect(new Set(keys).size).toBe(keys.length);
  });

  it('has a schema for every parameter its paths name', () => {
    for (const { path, params } of allRoutes) {
      const named = [...path.matchAll(/:(\w+)/g)].map(([, name]) => name);
      expect({ path, params: Object.keys(params?.properties ?? {}) }).toEqual({ path, params: named });
    }
  });

  it('makes an OpenAPI document whose schemas all compile', () => {
    const document = openApiDocument(allRoutes) as {
      paths: Record<string, Record<string, { requestBody?: unknown }>>;
    };
    const ajv = addFormats(new Ajv({ strict: false }));
    for (const { body, answer } of allRoutes)
      for (const schema of [body, answer]) if (schema) ajv.compile(schema);
    expect(document.paths['/api/followups/{followUpId}']?.['patch']?.requestBody).toBeDefined();
  });

  it('names each operation once, in letters and digits', () => {
    const { paths } = openApiDocument(allRoutes) as {
      paths: Record<string, Record<string, { operationId: string }>>;
    };
    const ids = Object.values(paths).flatMap((each) =>
      Object.values(each).map(({ operationId }) => operationId),
    );
    expect(ids).toHaveLength(allRoutes.length);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids.filter((id) => !/^[a-z][A-Za-z0-9]+$/.test(id))).toEqual([]);
    expect(paths['/api/students/{studentId}/absences']?.['post']?.operationId).toBe(
      'postStudentsByStudentIdAbsences',
    );
  });

  it('tells of each operation what it needs and gives', () => {
    const { paths } = openApiDocument(allRoutes) as {
      paths: Record<string, Record<string, Record<string, unknown>>>;
    };
    const needs = (path: string, method: string) => {
      const { parameters, requestBody, security, responses } = paths[path]?.[method] ?? {};
      const [[status, success] = ['none', {}]] = Object.entries(
        responses as Record<string, { content?: object }>,
      );
      return {
        parameters: (parameters as { name: string; in: string; required: boolean }[]).map((each) =>
          [each.in, each.name, ...(each.required ? ['required'] : [])].join(' '),
        ),
        body: (requestBody as { required?: boolean } | undefined)?.required ?? 'none',
        security,
        answer: [status, ...Object.keys(success.content ?? {})].join(' '),
      };
    };
    const session = [{ session: [] }];
    expect(needs('/api/session', 'post')).toEqual({
      ...{ parameters: [], body: true, security: [], answer: '200 application/json' },
    });
    expect(needs('/api/alerts/file.csv', 'get')).toEqual({
      parameters: expect.arrayContaining(['query q']) as unknown,
      ...{ body: 'none', security: session, answer: '200 text/csv' },
    });
    expect(needs('/api/students/{studentId}/absences', 'post')).toMatchObject({
      parameters: ['path studentId required', 'header Idempotency-Key'],
      body: true,
    });
    expect(needs('/api/calendar/imports/{importId}', 'delete')).toEqual({
      parameters: ['path importId required', 'header Idempotency-Key'],
      ...{ body: 'none', security: session, answer: '204' },
    });
    expect(needs('/api/calendar', 'get').parameters).toContain('query from required');
  });

  it('gives a role only what it may', () => {
    expect(rolesAllowed('read-record')).toEqual(['guardian', 'look-only', 'helper', 'student']);
    expect(rolesAllowed('write-talk')).toEqual(['guardian']);
    expect(permissions.helper).toEqual(['read-record']);
    // The child keeps its desk, and reads nothing of what its guardians talk about.
    expect(permissions.student).toEqual(['read-record', 'read-desk', 'do-work', 'keep-desk', 'read-file']);
    expect(rolesAllowed('keep-desk')).toEqual(['student']);
  });
});

describe('parsing at a boundary', () => {
  it.each([
    ['a missing field', { email: 'a@b.example' }, '/', "must have required property 'password'"],
    ['a wrong type', { email: 7, password: 'x' }, '/email', 'must be string'],
    ['an address that is none', { email: 'a', password: 'x' }, '/email', 'must match format "email"'],
    ['null', null, '/', 'must be object'],
  ])('tells %s by its place', (_name, value, path, message) => {
    expect(misfits(SignIn, value)).toEqual([{ path, message }]);
    expect(() => parse('sign-in', SignIn, value)).toThrow(ParseError);
  });

  it('reads numbers out of text only where text is all there is', () => {
    const { limit } = { limit: '2' };
    expect(() => parse('body', CourseRecord.properties.items, limit)).toThrow(ParseError);
    expect(parseText('query', SignIn, { email: 'a@b.example', password: 2 })).toEqual({
      email: 'a@b.example',
      password: '2',
    });
  });
});
