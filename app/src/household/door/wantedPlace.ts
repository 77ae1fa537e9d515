import type { Href } from 'expo-router';

/** Where one wanted to go before being asked: a place of the app itself, never one elsewhere. */
export const wantedPlace = (to: string | undefined): Href =>
  (to && /^\/(?![/\\])/.test(to) && !to.startsWith('/sign-in') ? to : '/brief') as Href; // an address of the app
