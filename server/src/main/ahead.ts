import { householdRoutes, languages, outlookRoutes } from '@cadro/contract';
import type { Request } from 'express';
import { sessionCookie, type Ahead } from '../kit';

const named = ['alerts', 'brief', 'courses', 'days', 'desk', 'operator', 'own', 'settings', 'talk', 'work'];
/** The scripts of the places, by how their addresses begin, the longer ones first. */
const places: readonly (readonly [start: string, script: string])[] = [
  ['/alerts/rules', 'rules'],
  ['/days/attendance', 'attendance'],
  ['/work/plan', 'plan'],
  ...named.map((name) => [`/${name}`, name] as const),
  ['/kept', 'desk'],
  ['/link', 'settings'],
  ['/shown', 'plan'],
];
/** Open without a session. */
const doors = ['/confirm', '/forgotten', '/mail-stop', '/new', '/new-password', '/sign-in'];
const isBelow = (path: string, start: string): boolean => path === start || path.startsWith(`${start}/`);
const wordsOf = (part: string, language: string) =>
  `${part}${language.charAt(0).toUpperCase()}${language.slice(1)}`;

/**
 * What a page of the app asks for as soon as it runs: its place, its words, and, where somebody seems to be signed in, who
 * that is and their Brief. A guess that is wrong costs a file that is not used.
 */
export function aheadOf(request: Request): Ahead {
  const { path } = request;
  const signedIn = (request.headers.cookie ?? '').includes(`${sessionCookie}=`);
  const atDoor = !signedIn || doors.some((start) => isBelow(path, start));
  const script = atDoor ? 'door' : (places.find(([start]) => isBelow(path, start))?.[1] ?? 'brief');
  const language = request.acceptsLanguages([...languages]) || 'en';
  const words = script === 'brief' ? ['first'] : ['first', 'rest'];
  const brief = ['/', '/brief'].includes(path) ? [outlookRoutes.brief.path] : [];
  return {
    scripts: [script, ...words.map((part) => wordsOf(part, language))],
    answers: script === 'door' || script === 'operator' ? [] : [householdRoutes.me.path, ...brief],
  };
}
