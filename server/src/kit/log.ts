import pino, { type Logger } from 'pino';

/** What names a person, opens a door or stands in a record, and what a line of the log has in its place. */
const unsaid: readonly (readonly [RegExp, string])[] = [
  [/[^\s<>"(),;:=]+@[\w-]+(\.[\w-]+)+/g, '(address)'],
  [/[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/gi, '(id)'],
  // Tokens, keys and sealed texts: long, and of letters and digits at once.
  [/(?<![\w/.-])(?=[\w-]*\d)(?=[\w-]*[a-z])[\w-]{20,}(?![\w/.-])/gi, '(secret)'],
];

/** A database's words come after the statement, which bears no values; what they quote is somebody's. */
const afterStatement = / - (?!.* - )/s;

/** A text for the log: without addresses, ids, tokens and what was quoted of a value. */
export function unnamed(text: string): string {
  const bare = unsaid.reduce((said, [what, instead]) => said.replace(what, instead), text);
  const from = bare.search(afterStatement);
  const at = /^(select|insert|update|delete|with|begin|commit|rollback)\b/i.test(bare) && from > 0 ? from : 0;
  return bare.slice(0, at) + bare.slice(at).replace(/"(?:[^"\\]|\\.)*"/g, '"…"');
}

/** An error as the log tells it: what it is and where it came from, and nothing of whose it is. */
export function tellsError(error: unknown): object {
  if (!(error instanceof Error)) return { message: unnamed(String(error)) };
  const { name, message, stack = '', cause } = error;
  return {
    ...{ type: name, message: unnamed(message) },
    ...('code' in error ? { code: error.code } : {}),
    // Which rule of the tables was broken; by whose value is left out.
    ...('constraint' in error ? { constraint: error.constraint } : {}),
    stack: stack.slice(stack.indexOf('\n    at ') + 1),
    ...(cause === undefined ? {} : { cause: tellsError(cause) }),
  };
}

/** Where a process writes what happens to it. */
export const newLog = (level: string): Logger => pino({ level, serializers: { err: tellsError } });
