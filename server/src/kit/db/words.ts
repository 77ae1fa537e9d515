import type { Knex } from 'knex';

/** Letters as they are looked for: small, and without accents. */
const plain = (of: string): string =>
  `translate(lower(${of}), 'áàâäéèêëíìîïóòôöúùûüñç', 'aaaaeeeeiiiioooouuuunc')`;

/** The words somebody looks for; so many are looked at. */
export const wordsIn = (text: string): string[] => text.split(/\s+/).filter(Boolean).slice(0, 8);

/** Rows in which each of some words stands, anywhere in what an expression of SQL makes of them. */
export function withWords(query: Knex.QueryBuilder, expression: string, words: readonly string[]): void {
  for (const word of words)
    void query.whereRaw(`strpos(${plain(expression)}, ${plain('?::text')}) > 0`, [word]);
}
