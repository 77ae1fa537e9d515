import { themed } from './theme/themed';
import { Words } from './Words';

interface Mark {
  readonly start: number;
  readonly end: number;
}

/** A text with some of its words set apart; marks that overlap one before them are left out. */
export function MarkedWords({
  text,
  marks,
  open = '',
  close = '',
}: {
  text: string;
  marks: readonly Mark[];
  /** What stands around the text, such as quotation marks. */
  open?: string;
  close?: string;
}) {
  const looks = useLooks();
  const cuts = [...marks]
    .sort((a, b) => a.start - b.start)
    .reduce<Mark[]>((kept, mark) => (mark.start >= (kept.at(-1)?.end ?? 0) ? [...kept, mark] : kept), []);
  const parts = cuts.flatMap(({ start, end }, index) => [
    { key: `p${start}`, words: text.slice(cuts[index - 1]?.end ?? 0, start), marked: false },
    { key: `m${start}`, words: text.slice(start, end), marked: true },
  ]);
  return (
    <Words>
      {open}
      {parts.map(({ key, words, marked }) =>
        marked ? (
          <Words key={key} bold style={looks.marked}>
            {words}
          </Words>
        ) : (
          words
        ),
      )}
      {text.slice(cuts.at(-1)?.end ?? 0)}
      {close}
    </Words>
  );
}

const useLooks = themed((palette) => ({
  marked: { backgroundColor: palette.sand },
}));
