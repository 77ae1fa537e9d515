import type { Language } from '@cadro/contract';
import { localeOf } from '../locale';

/** What the letter that brings a family its code says in one language. */
export interface CodeLetterWords {
  readonly title: string;
  readonly greeting: string;
  readonly lead: string;
  readonly steps: readonly string[];
  readonly foot: string;
}

export interface CodeLetterFacts {
  readonly givenName: string;
  readonly schoolName: string;
  /** Where the account is set up, without the code. */
  readonly address: string;
  /** The last day of the code, `YYYY-MM-DD`. */
  readonly until: string;
}

const day = (language: Language, date: string): string =>
  new Intl.DateTimeFormat(localeOf(language), { dateStyle: 'long', timeZone: 'UTC' }).format(
    new Date(`${date}T12:00:00Z`),
  );

const words: Readonly<Record<Language, (facts: CodeLetterFacts) => CodeLetterWords>> = {
  en: ({ givenName, schoolName, address, until }) => ({
    title: `Keeping up with ${givenName}’s schoolwork`,
    greeting: `To the family of ${givenName}`,
    lead: `${schoolName} uses Cadro. In it you can see ${givenName}’s grades, missing assignments, teachers’ comments and attendance, and write to teachers.`,
    steps: [
      `Scan the square with your phone, or go to ${address}.`,
      'Type this code if you’re asked for it:',
      `Check that it says ${givenName}, then set up your account.`,
    ],
    foot: `The code works once, until ${day('en', until)}. Please keep it to yourself. Each guardian needs a code of their own: ask the office for another, or invite them from inside Cadro.`,
  }),
  es: ({ givenName, schoolName, address, until }) => ({
    title: `Para seguir las tareas de ${givenName}`,
    greeting: `A la familia de ${givenName}`,
    lead: `${schoolName} usa Cadro. Allí puede ver las calificaciones de ${givenName}, sus trabajos pendientes, los comentarios de sus maestros y su asistencia, y escribir a los maestros.`,
    steps: [
      `Escanee el cuadro con su teléfono o entre en ${address}.`,
      'Escriba este código si se lo piden:',
      `Compruebe que dice ${givenName} y abra su cuenta.`,
    ],
    foot: `El código sirve una vez, hasta el ${day('es', until)}. No lo comparta. Cada tutor necesita su propio código: pida otro en la oficina o invítelo desde Cadro.`,
  }),
};

/** The letter's words, its names filled in. */
export const codeLetter = (language: Language, facts: CodeLetterFacts): CodeLetterWords =>
  // People type an address without its first part.
  words[language]({ ...facts, address: facts.address.replace(/^https?:\/\//, '') });
