import type { AgentSpec, StudentSpec } from './specs';

const address = '4 Tideway Steps, Sorrel Quay';

/** Whom the schools of the Aldervane children name for them. The number of Tobiah's is one he no longer has. */
export const aldervanes: readonly AgentSpec[] = [
  {
    ...{ id: 'agent-maren', givenName: 'Maren', familyName: 'Aldervane', role: 'parent', address },
    ...{ email: 'maren@aldervane.example', phone: '+1 555 010 0200' },
  },
  {
    ...{ id: 'agent-tobiah', givenName: 'Tobiah', familyName: 'Aldervane', role: 'guardian', address },
    ...{ email: 'tobiah@aldervane.example', phone: '+1 555 010 0177', sms: '+1 555 010 0177' },
  },
  {
    ...{ id: 'agent-ottoline', givenName: 'Ottoline', familyName: 'Aldervane', role: 'relative' },
    ...{
      email: 'ottoline@aldervane.example',
      phone: '+1 555 010 0203',
      address: '11 Lantern Row, Sorrel Quay',
    },
  },
];

/** What a school has on file about one of them. */
export const fileOf = (birthDate: string): NonNullable<StudentSpec['file']> => ({
  ...{ birthDate, address, agents: aldervanes.map(({ id }) => id) },
});
