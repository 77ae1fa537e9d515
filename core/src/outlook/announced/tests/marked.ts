/**
 * What a school wrote on Wednesday 21 October 2026, and what is to be read out of it, each as one line: `day DATE
 * FROM-TO`, `day DATE..DATE`, `deadline DATE`, `bring DATE: THINGS` (`-` where no day is said), `ask HOW`, `helpers`.
 */
export type Marked = readonly [text: string, found: readonly string[]];
