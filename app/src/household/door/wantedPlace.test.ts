import { wantedPlace } from './wantedPlace';

it.each([
  ['an alert out of a mail', '/alerts/0d4f', '/alerts/0d4f'],
  ['nothing', undefined, '/brief'],
  ['another site', 'https://elsewhere.example/', '/brief'],
  ['another site without its protocol', '//elsewhere.example/', '/brief'],
  ['another site behind a backslash', '/\\elsewhere.example/', '/brief'],
  ['the door itself', '/sign-in', '/brief'],
])('after signing in, who asked for %s', (_name, to, place) => expect(wantedPlace(to)).toBe(place));
