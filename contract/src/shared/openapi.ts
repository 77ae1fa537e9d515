import type { TObject } from '@sinclair/typebox';
import { Problem } from './problem';
import type { RouteContract } from './route';

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

function operation(contract: RouteContract): Json {
  const success: Json = { description: contract.summary };
  if (contract.answer) success['content'] = { 'application/json': { schema: contract.answer } };
  if (contract.produces) {
    success['content'] = { [contract.produces]: { schema: { type: 'string', format: 'binary' } } };
  }
  return {
    summary: contract.summary,
    tags: [contract.room],
    security: contract.access === 'public' ? [] : [{ session: [] }],
    parameters: [...parameters(contract.params, 'path'), ...parameters(contract.query, 'query')],
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
    paths,
    components: {
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'cadro.session' } },
    },
  };
}
