import type { Child, Me } from '@cadro/contract';

const child = (id: string, givenName: string, year: string, role: Child['role']): Child => ({
  ...{ id, givenName, familyName: 'Aldervane', year, role },
  ...{ schoolName: 'Gannet Head', timeZone: 'America/Halifax', byHand: false },
});

/** A guardian of two children on the story's first evening; the children's ids are their names' first letters. */
export const aGuardian = (more: { role?: Child['role'] } = {}): Me => {
  const { role = 'guardian' } = more;
  return {
    ...{
      id: 'g',
      name: 'Maren Aldervane',
      givenName: 'Maren',
      confirmed: true,
      shownAs: null,
      leavesAt: null,
      consent: null,
      keeps: { mailDays: 180, leftDays: 730 },
      agreed: null,
      email: 'maren@aldervane.example',
    },
    ...{ language: 'en', now: '2026-10-21T19:40:00Z', demo: false },
    children: [child('i', 'Isolde', '11', role), child('c', 'Caspian', '8', role)],
  };
};
