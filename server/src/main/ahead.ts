import { householdRoutes, languages, outlookRoutes } from '@cadro/contract';
import type { Request } from 'express';
import { sessionCookie, type Ahead } from '../kit';

/** The scripts of the places, by the first part of their addresses; the Brief's is that of whatever is none. */
const places = new Set([
  'alerts',
  'brief',
  'courses',
  'days',
  'desk',
  'operator',
  'settings',
  'talk',
  'work',
]);
/** Open without a session. */
const doors = new Set(['confirm', 'forgotten', 'mail-stop', 'new', 'new-password', 'sign-in']);
const wordsOf = (part: string, language: string) =>
  `${part}${language.charAt(0).toUpperCase()}${language.slice(1)}`;

/**
 * What a page of the app asks for as soon as it runs: its place, its words, and, where somebody seems to be signed in, who
 * that is and their Brief. A guess that is wrong costs a file that is not used.
 */
export function aheadOf(request: Request): Ahead {
  const [, first = ''] = request.path.split('/');
  const signedIn = (request.headers.cookie ?? '').includes(`${sessionCookie}=`);
  const script = doors.has(first) || !signedIn ? 'door' : places.has(first) ? first : 'brief';
  const language = request.acceptsLanguages([...languages]) || 'en';
  const words = script === 'brief' ? ['first'] : ['first', 'rest'];
  const brief = ['', 'brief'].includes(first) ? [outlookRoutes.brief.path] : [];
  return {
    scripts: [script, ...words.map((part) => wordsOf(part, language))],
    answers: script === 'door' || script === 'operator' ? [] : [householdRoutes.me.path, ...brief],
  };
}
