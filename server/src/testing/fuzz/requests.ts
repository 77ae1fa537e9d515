import { gzipSync } from 'node:zlib';
import type { Draws } from './draws';
import { oddValue, valueOf, type Known, type Schema } from './values';

interface Parameter {
  readonly name: string;
  readonly in: string;
  readonly schema: Schema;
}
interface Operation {
  readonly parameters?: readonly Parameter[];
  readonly requestBody?: { readonly content: Readonly<Record<string, { readonly schema: Schema }>> };
}
/** An OpenAPI document, as far as requests are drawn from it. */
export interface Document {
  readonly paths: Readonly<Record<string, Readonly<Record<string, Operation>>>>;
}

export interface Drawn {
  readonly method: string;
  /** Of the document. */
  readonly pattern: string;
  readonly path: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: Buffer | null;
}

/** What has no end, takes the world along, or is a whole conversation of its own. */
const leftOut = new Set([
  ...['post /api/demo/next-day', 'get /api/alerts/live', 'delete /api/session'],
  'delete /api/operator/session',
]);
/** These would leave nobody to ask for the others: they are asked for with odd values alone. */
const ending = /leaving|\/people\/|sessions|\/password|\/address$|own\/children\/\{studentId\}$/;

/** Bytes of a path, of which none need be text. */
const oddPieces = [
  '%00',
  '%ff',
  '%ed%a0%80',
  '..%2f..',
  '%',
  '%zz',
  'a'.repeat(5_000),
  '0',
  "'",
  '%F0%9F%92%B6',
];
const encodings = ['gzip', 'deflate', 'br', 'identity', 'utf-8', 'gzip, gzip', 'x', ''];
const types = [
  'application/json; charset=utf-7',
  'text/plain',
  'application/json; charset=',
  'multipart/form-data',
  '',
];
const keys = [
  '"11111111-2222-3333-4444-555555555555"',
  'bare-key-1234',
  '"',
  '"with \\" in it"',
  'x'.repeat(300),
];

/** Text that is no JSON, or more of it than anybody means. */
const oddTexts: readonly (() => string)[] = [
  () => '[' + '['.repeat(20_000) + ']'.repeat(20_000) + ']',
  () => '{"a":'.repeat(20_000) + '1' + '}'.repeat(20_000),
  ...[
    '{',
    '',
    'null',
    '"text"',
    '1e999',
    '[1,]',
    '\uFEFF{}',
    '{"a":1}{"a":1}',
    '{"a":"\\ud800"}',
    '{"a":"\\u0000"}',
  ].map((text) => () => text),
  () => '{"' + 'k'.repeat(300_000) + '":1}',
  () => JSON.stringify(Array.from({ length: 60_000 }, (_none, index) => index)),
];

function pathOf(pattern: string, operation: Operation, known: Known, draws: Draws): string {
  const oddness = ending.test(pattern) ? 1 : 0.08;
  const path = pattern.replace(/\{(\w+)\}/g, (_whole, name: string) => {
    const schema =
      operation.parameters?.find((each) => each.in === 'path' && each.name === name)?.schema ?? {};
    if (draws.chance(oddness)) return draws.of(oddPieces);
    return encodeURIComponent(String(valueOf(schema, name, known, draws, 0)));
  });
  const query = (operation.parameters ?? [])
    .filter((each) => each.in === 'query' && draws.chance(0.7))
    .map(({ name, schema }) => {
      if (draws.chance(0.05)) return `${name}[a][b]=1&${name}=${draws.of(oddPieces)}`;
      const value = draws.chance(0.15) ? oddValue(draws) : valueOf(schema, name, known, draws, 0);
      const text = typeof value === 'object' ? JSON.stringify(value) : String(value);
      return `${name}=${encodeURIComponent(text.replace(/[\ud800-\udfff]/g, '?')).slice(0, 4_000)}`;
    });
  return query.length > 0 ? `${path}?${query.join('&')}` : path;
}

function bodyOf(operation: Operation, known: Known, draws: Draws, oddness: number): Buffer | null {
  const [content] = Object.values(operation.requestBody?.content ?? {});
  if (!content) return draws.chance(0.05) ? Buffer.from(draws.of(oddTexts)()) : null;
  if (draws.chance(0.08)) return Buffer.from(draws.of(oddTexts)());
  return Buffer.from(JSON.stringify(valueOf(content.schema, '', known, draws, oddness)) ?? '');
}

function headersOf(method: string, draws: Draws): Record<string, string> {
  const headers: Record<string, string> = { 'content-type': 'application/json' };
  if (draws.chance(0.03)) headers['content-encoding'] = draws.of(encodings);
  if (draws.chance(0.03)) headers['content-type'] = draws.of(types);
  if (draws.chance(0.03)) headers['if-none-match'] = draws.of(['*', '"x"', 'W/']);
  if (draws.chance(0.02)) headers['origin'] = draws.of(['null', 'https://elsewhere.example', 'x']);
  if (method !== 'get' && draws.chance(0.2)) headers['idempotency-key'] = draws.of(keys);
  return headers;
}

/** Requests without end, made from a document: most fit it, some nearly, some not at all. */
export function* drawn(document: Document, known: Known, draws: Draws): Generator<Drawn, never> {
  const operations = Object.entries(document.paths).flatMap(([pattern, methods]) =>
    Object.entries(methods)
      .filter(([method]) => !leftOut.has(`${method} ${pattern}`))
      .map(([method, operation]) => ({ pattern, method, operation })),
  );
  for (;;) {
    const { pattern, method, operation } = draws.of(operations);
    const oddness = ending.test(`${method} ${pattern}`) ? 0.6 : draws.of([0, 0, 0.04, 0.2]);
    const headers = headersOf(method, draws);
    let body = method === 'get' ? null : bodyOf(operation, known, draws, oddness);
    if (body && headers['content-encoding'] === 'gzip' && draws.chance(0.5)) body = gzipSync(body);
    yield { method, pattern, path: pathOf(pattern, operation, known, draws), headers, body };
  }
}
