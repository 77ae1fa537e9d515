import type { Language } from '@cadro/contract';
import { en } from './en';
import { es } from './es';
import type { AccountLetter, AccountWords, LetterWords } from './words';

export { accountLetters, type AccountLetter, type AccountWords } from './words';

const catalogues: Readonly<Record<Language, LetterWords>> = { en, es };

/** A letter with its names filled in; a name that is not given is left out. */
export function accountLetter(language: Language, { kind, params }: AccountLetter): AccountWords {
  const { letters, roles, somebody, someDevice } = catalogues[language];
  const role = Object.entries(roles).find(([name]) => name === params['role'])?.[1] ?? '';
  const said: Readonly<Record<string, string>> = {
    ...params,
    role,
    who: params['who'] || somebody,
    device: params['device'] || someDevice,
  };
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
