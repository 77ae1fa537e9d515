/** What each school tells besides: money, the way to school, the day's bulletin, lost things. */
export interface AroundSpec {
  readonly balances: readonly {
    readonly id: string;
    readonly student: string;
    readonly kind: 'account' | 'fee';
    readonly title: string;
    readonly amount: number;
    readonly dueOn?: string;
    /** The day it is so from; what it was before is replaced. */
    readonly on: string;
  }[];
  readonly rides: readonly {
    readonly student: string;
    readonly title: string;
    readonly stop: string;
    readonly toSchoolAt: string;
    readonly homeAt: string;
    readonly note?: string;
  }[];
  readonly bulletins: Readonly<Record<string, string>>;
  readonly found: readonly {
    readonly title: string;
    readonly place: string;
    readonly on: string;
    readonly until?: string;
  }[];
}

/** Monday to Friday. */
export const schoolDayWeek: readonly number[] = [1, 2, 3, 4, 5];

export const schoolAround: Readonly<Record<string, AroundSpec>> = {
  'gannet-head': {
    balances: [
      {
        id: 'meals',
        student: 'isolde',
        kind: 'account',
        title: 'Lunch account',
        amount: 31.5,
        on: '2026-10-01',
      },
      {
        id: 'meals',
        student: 'isolde',
        kind: 'account',
        title: 'Lunch account',
        amount: 12.75,
        on: '2026-10-19',
      },
    ],
    rides: [],
    bulletins: {
      '2026-10-20': 'Lockers in the lower hall are being repainted. Please empty yours by Friday.',
      '2026-10-21': 'Quiz team meets in room 14 at lunch. The library closes at 3 p.m. today.',
      '2026-10-22': 'Choir rehearsal is in the hall this week.',
    },
    found: [{ title: 'Gray wool hat', place: 'Main office', on: '2026-10-16' }],
  },
  millrace: {
    balances: [
      {
        id: 'meals',
        student: 'caspian',
        kind: 'account',
        title: 'Lunch account',
        amount: 18,
        on: '2026-10-05',
      },
      {
        id: 'meals',
        student: 'caspian',
        kind: 'account',
        title: 'Lunch account',
        amount: 6.4,
        on: '2026-10-20',
      },
      {
        ...{ id: 'trip', student: 'caspian', kind: 'fee', title: 'Lighthouse trip', amount: 12 },
        ...{ dueOn: '2026-11-13', on: '2026-10-14' },
      },
    ],
    rides: [
      {
        ...{ student: 'caspian', title: 'Bus 4, east loop', stop: 'Rope Walk', toSchoolAt: '07:40' },
        ...{ homeAt: '15:25', note: 'Leaves the stop 10 minutes later on Wednesdays.' },
      },
    ],
    bulletins: {
      '2026-10-21': 'Picture retakes are on Friday. Boat shed club is canceled today.',
      '2026-10-23': 'No late bus on Monday.',
    },
    found: [
      {
        title: 'Blue water bottle with a whale on it',
        place: 'Front office',
        on: '2026-10-19',
        until: '2026-11-02',
      },
      { title: 'Left glove, brown', place: 'Bus 4', on: '2026-09-21', until: '2026-10-05' },
    ],
  },
  'little-fathom': {
    balances: [
      { id: 'meals', student: 'pet', kind: 'account', title: 'Lunch account', amount: 22, on: '2026-10-12' },
    ],
    rides: [],
    bulletins: { '2026-10-21': 'Please send a change of clothes for the rock pools.' },
    found: [],
  },
};
