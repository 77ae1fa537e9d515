import type { ResultStatus } from '@cadro/contract';
import { statusOfWord } from './words';

/** What a cell says of a score; null is not said. */
export interface Said {
  readonly earned: number | null;
  readonly possible: number | null;
  /** Only where it is written as one. */
  readonly percent: number | null;
  readonly letter: string | null;
  readonly status: ResultStatus | null;
}
const nothing: Said = { earned: null, possible: null, percent: null, letter: null, status: null };

const number = String.raw`\d{1,6}(?:[.,]\d{1,4})?`;

/** A number with a point or a comma for its decimals. */
export const numberOf = (text: string): number | null =>
  new RegExp(`^[-+]?${number}$`).test(text.trim()) ? Number(text.trim().replace(',', '.')) : null;

/** Nothing yet, however it is drawn. */
export const isBlank = (text: string): boolean =>
  /^[\s\-–—―_.·*]*$/.test(text) || /^(n\/?a|none|null|tbd|ninguno)$/i.test(text.trim());

const letter = /^([A-F][+\-−–]?|[A-F]\d?)$/;
const pair = new RegExp(
  `^(${number})\\s*(?:/|of|out of|de|sobre|:)\\s*(${number})(?:\\s*(?:pts?|points?|puntos?|p)\\.?)?$`,
  'i',
);
const open = new RegExp(
  `^[-–—_\\s]*\\s*(?:/|of|out of|de|sobre)\\s*(${number})(?:\\s*(?:pts?|points?|puntos?)\\.?)?$`,
  'i',
);
const word = new RegExp(`^([a-zñáéíóú. ]+?)\\s*(?:/|of|out of|de|sobre)\\s*(${number})$`, 'i');
const share = new RegExp(`^(${number})\\s*%$`);
const points = new RegExp(`^(${number})\\s*(?:pts?|points?|puntos?|p)\\.?$`, 'i');

function part(text: string): Said | null {
  const cell = text.trim();
  if (isBlank(cell)) return { ...nothing, status: 'open' };
  const value = (digits: string | undefined) => numberOf(digits ?? '');
  const both = pair.exec(cell);
  if (both) return { ...nothing, earned: value(both[1]), possible: value(both[2]), status: 'scored' };
  const undone = open.exec(cell);
  if (undone) return { ...nothing, possible: value(undone[1]), status: 'open' };
  const percent = share.exec(cell);
  if (percent) return { ...nothing, percent: value(percent[1]), status: 'scored' };
  const said = word.exec(cell);
  const ofSaid = said && statusOfWord(said[1] ?? '');
  if (said && ofSaid) return { ...nothing, possible: value(said[2]), status: ofSaid };
  const alone = numberOf(cell) ?? value(points.exec(cell)?.[1]);
  if (alone !== null && alone >= 0) return { ...nothing, earned: alone, status: 'scored' };
  const status = statusOfWord(cell);
  if (status) return { ...nothing, status };
  if (letter.test(cell)) return { ...nothing, letter: cell.replace(/[−–]/g, '-'), status: 'scored' };
  return null;
}

/** Two readings of one cell as one: what the second adds. */
const joined = (a: Said, b: Said): Said => ({
  earned: a.earned ?? b.earned,
  possible: a.possible ?? b.possible,
  percent: a.percent ?? b.percent,
  letter: a.letter ?? b.letter,
  status: a.status === 'open' ? b.status : (a.status ?? b.status),
});

/**
 * What a cell says of a score: `17/20`, `17 of 20`, `85 %`, `B+`, `M`, `EX`, `17/20 (85%)`; null where it is none of that.
 */
export function readScore(text: string): Said | null {
  const cell = text.replace(/\s+/g, ' ').trim();
  const whole = part(cell);
  if (whole) return whole;
  // Several of them in one cell, set apart by brackets, signs, or blanks.
  const pieces = cell
    .split(
      /\s*[()[\];|]\s*|\s+[-–—=]\s+|,\s+|(?<=%)\s+|(?<=\d)\s+(?=[A-F][+-]?$)|(?<=\d)\s+(?=\d+(?:[.,]\d+)?\s*%)|(?<=[a-z])\s+(?=\d)/i,
    )
    .filter((piece) => piece.trim() !== '');
  if (pieces.length < 2) return null;
  const said = pieces.map(part);
  return said.every((each) => each !== null)
    ? said.reduce<Said>((a, b) => joined(a, b as Said), nothing)
    : null;
}
