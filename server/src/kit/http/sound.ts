import { ParseError } from '@cadro/contract/parse';

/** Deeper than anything that is meant, and far from what a parser's own stack bears. */
const deepest = 64;
const half = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;

/** Why a text is none that the database holds; null where it is one. */
function faultOf(text: string): string | null {
  // PostgreSQL's text holds no NUL; nobody types one. Half a letter is none in any encoding.
  if (text.includes('\u0000')) return 'must hold no NUL character';
  return half.test(text) ? 'must hold whole characters' : null;
}

/**
 * Refuses what came in where no schema would look: texts that no database holds, and nesting that is a trap. What is
 * deep is walked without going deep.
 * @throws ParseError
 */
export function refuseUnsound(boundary: string, given: unknown): void {
  const refuse = (message: string): never => {
    throw new ParseError(boundary, [{ path: '/', message }]);
  };
  const left: { value: unknown; depth: number }[] = [{ value: given, depth: 0 }];
  for (let next = left.pop(); next; next = left.pop()) {
    const { value, depth } = next;
    if (depth > deepest) refuse('is nested too deep');
    if (typeof value === 'string') {
      const fault = faultOf(value);
      if (fault) refuse(fault);
    } else if (typeof value === 'object' && value !== null) {
      for (const [name, inside] of Object.entries(value)) {
        const fault = faultOf(name);
        if (fault) refuse(fault);
        left.push({ value: inside, depth: depth + 1 });
      }
    }
  }
}
