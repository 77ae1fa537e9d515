/** Where one wanted to go before being asked: a place of the app itself, never one elsewhere. */
export const wantedPlace = (to: string | undefined): string =>
  to && /^\/(?![/\\])/.test(to) && !to.startsWith('/sign-in') ? to : '/brief';
