import type { Language } from '@cadro/contract';
import { en } from './en';
import { es } from './es';

/** What is mailed about an account: to its owner, never about a child's grades. */
export const accountLetters = [
  'confirm',
  'arrival',
  'known-here',
  'password',
  'password-changed',
  'change-from',
  'change-to',
  'address-changed',
  'new-device',
  'invitation',
] as const;
export interface AccountLetter {
  readonly kind: (typeof accountLetters)[number];
  /** Names and addresses by their place in the sentences; none is ever missing where a sentence has it. */
  readonly params: Readonly<Record<string, string>>;
}

export interface AccountWords {
  readonly subject: string;
  readonly paragraphs: readonly string[];
  /** The one thing to tap, and the screen of the app it leads to; the secret is added to the address. */
  readonly action?: { readonly words: string; readonly path: string };
  readonly foot: readonly string[];
}

/** A letter's words in one language, `{name}` standing for a parameter. */
export type LetterWords = Readonly<Record<AccountLetter['kind'], AccountWords>>;

const catalogues: Readonly<Record<Language, LetterWords>> = { en, es };

/** A letter with its names filled in; a name that is not given is left out. */
export function accountLetter(language: Language, { kind, params }: AccountLetter): AccountWords {
  const filled = (text: string): string =>
    text.replace(/\{(\w+)\}/g, (_all, name: string) => params[name] ?? '');
  const { subject, paragraphs, action, foot } = catalogues[language][kind];
  return {
    subject: filled(subject),
    paragraphs: paragraphs.map(filled),
    ...(action ? { action: { ...action, words: filled(action.words) } } : {}),
    foot: foot.map(filled),
  };
}
