import type { TObject } from '@sinclair/typebox';
import { Problem } from './problem';
import { takesKey, type RouteContract } from './route';

type Json = Record<string, unknown>;

const problemAnswer = {
  description: 'A problem, RFC 9457',
  content: { 'application/problem+json': { schema: Problem } },
};

function parameters(schema: TObject | undefined, place: 'path' | 'query'): Json[] {
  if (!schema) return [];
  return Object.entries(schema.properties).map(([name, property]) => ({
    name,
    in: place,
    required: place === 'path' || (schema.required ?? []).includes(name),
    schema: property,
  }));
}

const idempotencyKey: Json = {
  ...{ name: 'Idempotency-Key', in: 'header', required: false },
  description:
    'A string of RFC 8941, 8 to 120 signs. The same write by the same key is answered as the first time, for a day.',
  schema: { type: 'string', maxLength: 122 },
};

/** `get /api/students/:studentId/courses` is `getStudentsByStudentIdCourses`: the same for as long as the address is. */
function operationId({ method, path }: RouteContract): string {
  const parts = path
    .replace(/^\/api\//, '')
    .split('/')
    .flatMap((part) => (part.startsWith(':') ? ['by', part.slice(1)] : part.split(/[^A-Za-z0-9]+/)))
    .filter((part) => part !== '');
  return method + parts.map((part) => part.charAt(0).toUpperCase() + part.slice(1)).join('');
}

function operation(contract: RouteContract): Json {
  const success: Json = { description: contract.summary };
  if (contract.answer) success['content'] = { 'application/json': { schema: contract.answer } };
  if (contract.produces) {
    success['content'] = { [contract.produces]: { schema: { type: 'string', format: 'binary' } } };
  }
  return {
    operationId: operationId(contract),
    summary: contract.summary,
    tags: [contract.room],
    security: contract.access === 'public' ? [] : [{ session: [] }],
    parameters: [
      ...parameters(contract.params, 'path'),
      ...parameters(contract.query, 'query'),
      ...(takesKey(contract) ? [idempotencyKey] : []),
    ],
    ...(contract.takesBytes
      ? {
          requestBody: {
            required: true,
            content: { [contract.takesBytes]: { schema: { type: 'string', format: 'binary' } } },
          },
        }
      : {}),
    ...(contract.body
      ? { requestBody: { required: true, content: { 'application/json': { schema: contract.body } } } }
      : {}),
    responses: { [contract.status]: success, default: problemAnswer },
  };
}

/** The OpenAPI 3.1 document of the given routes. TypeBox schemas are JSON Schema, so they go in as they are. */
export function openApiDocument(routes: readonly RouteContract[]): Json {
  const paths: Record<string, Json> = {};
  for (const contract of routes) {
    const path = contract.path.replace(/:(\w+)/g, '{$1}');
    paths[path] = { ...paths[path], [contract.method]: operation(contract) };
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Cadro', version: '1.0.0', description: 'Keeping up with children’s schoolwork.' },
    servers: [{ url: '/' }],
    tags: [...new Set(routes.map(({ room }) => room))].map((name) => ({ name })),
    paths,
    components: {
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'cadro.session' } },
    },
  };
}
