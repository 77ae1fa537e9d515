import type { Role } from '@cadro/contract';

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
  /** A device that does not say what it is. */
  readonly someDevice: string;
}
