import type { TFunction } from 'i18next';
import { languages, type Language } from '@cadro/contract';

/** How a letter begins. */
export const tones = ['plain', 'warm', 'thankful', 'formal'] as const;
export type Tone = (typeof tones)[number];

export interface Addressed {
  readonly teacher: string;
  readonly child: string;
}

export const openingOf = (t: TFunction, tone: Tone, who: Addressed): string =>
  t(`message.openings.${tone}`, { ...who });

/** A letter with another opening: in place of one that Cadro wrote, else above what is there. */
export function reopened(text: string, openings: readonly string[], opening: string): string {
  // The longest first: one may be the beginning of another.
  const found = [...openings].sort((a, b) => b.length - a.length).find((each) => text.startsWith(each));
  const rest = found === undefined ? text : text.slice(found.length);
  return found !== undefined || rest === '' ? `${opening}${rest}` : `${opening}\n\n${rest}`;
}

/** Stands for the name of each of several people in a letter to all of them. */
export const eachName = '[name]';

/** The letter that one of several gets. */
export const lettersTo = (
  people: readonly { readonly id: string; readonly name: string }[],
  text: string,
): { teacherId: string; text: string }[] =>
  people.map(({ id, name }) => ({ teacherId: id, text: text.replaceAll(eachName, name) }));

/** The language to begin in: the receiver's where Cadro has it, else the writer's own. @param read a tag of BCP 47. */
export const letterLanguage = (read: string | null | undefined, own: Language): Language =>
  languages.find((language) => language === read?.split('-')[0]?.toLowerCase()) ?? own;
