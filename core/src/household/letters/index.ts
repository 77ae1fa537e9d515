import type { Language, Role } from '@cadro/contract';
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
  'leaving',
  'invitation',
  'school-invitation',
  'notice-link-made',
  'notice-link-ended',
  'notice-role-changed',
  'notice-suspended',
  'notice-restored',
  'notice-new-device',
  'notice-address-changed',
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

/** What the letters say in one language, `{name}` standing for a parameter. */
export interface LetterWords {
  readonly letters: Readonly<Record<AccountLetter['kind'], AccountWords>>;
  /** As what somebody sees a record, at the end of a sentence. */
  readonly roles: Readonly<Record<Role, string>>;
  /** Somebody who is not to be named. */
  readonly somebody: string;
}

const catalogues: Readonly<Record<Language, LetterWords>> = { en, es };

/** A letter with its names filled in; a name that is not given is left out. */
export function accountLetter(language: Language, { kind, params }: AccountLetter): AccountWords {
  const { letters, roles, somebody } = catalogues[language];
  const role = Object.entries(roles).find(([name]) => name === params['role'])?.[1] ?? '';
  const said: Readonly<Record<string, string>> = { ...params, role, who: params['who'] || somebody };
  const filled = (text: string): string =>
    text.replace(/\{(\w+)\}/g, (_all, name: string) => said[name] ?? '');
  const { subject, paragraphs, action, foot } = letters[kind];
  return {
    subject: filled(subject),
    paragraphs: paragraphs.map(filled),
    ...(action ? { action: { ...action, words: filled(action.words) } } : {}),
    foot: foot.map(filled),
  };
}
