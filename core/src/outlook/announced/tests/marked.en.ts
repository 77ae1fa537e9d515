import type { Marked } from './marked';

/** The readers were made with these. */
export const markedEnglish: readonly Marked[] = [
  [
    'We are looking for four adults to help at the launch on November 5, from 2 to 4 p.m. Please reply by October 30 if you can come.',
    ['day 2026-11-05 14:00-16:00', 'deadline 2026-10-30', 'ask yes-no', 'helpers'],
  ],
  ['Seed library books are due back on October 30.', ['deadline 2026-10-30']],
  [
    'On November 4 we are going to the rock pools. Please send boots and a spare pair of socks.',
    ['day 2026-11-04', 'bring 2026-11-04: boots and a spare pair of socks'],
  ],
  [
    'The lamp room is open to families on October 29 from 6 p.m. Please let us know by October 26 how many of you will come.',
    ['day 2026-10-29 18:00', 'deadline 2026-10-26', 'ask count'],
  ],
  [
    'Teachers submit grades by November 10. A blank before then means it has not been reported yet.',
    ['deadline 2026-11-10'],
  ],
  ['Picture day is Tuesday, October 27.', ['day 2026-10-27']],
  ['There is no school on Friday, October 30.', ['day 2026-10-30']],
  ['Thank you to everyone who helped at the harvest table last Friday. We sold every jar.', []],
  [
    'Students should bring a library card and a pencil tomorrow.',
    ['bring 2026-10-22: a library card and a pencil', 'day 2026-10-22'],
  ],
  [
    'The permission slip for the ferry trip must be signed and returned by Monday, October 26.',
    ['deadline 2026-10-26', 'ask form'],
  ],
  ['The fall concert is on Thursday, November 12 at 7:00 p.m. in the gym.', ['day 2026-11-12 19:00']],
  [
    'Would you prefer the morning or the afternoon tour? Please answer by Friday.',
    ['deadline 2026-10-23', 'ask choice'],
  ],
  [
    'Please send in two empty egg cartons by Thursday.',
    ['bring 2026-10-22: two empty egg cartons', 'deadline 2026-10-22'],
  ],
  ['The bake sale has moved from Tuesday to Thursday.', ['day 2026-10-29']],
  ['Our boats did well at the regatta. Photos are on the wall outside the office.', []],
  ['Parent-teacher conferences run from November 16 to November 18.', ['day 2026-11-16..2026-11-18']],
  ['The cafeteria will serve soup on Mondays.', []],
  [
    'Can your child take part in the swim test on October 28? Reply yes or no by Monday.',
    ['day 2026-10-28', 'deadline 2026-10-26', 'ask yes-no'],
  ],
  ['School ends at noon on Wednesday, November 25.', ['day 2026-11-25 12:00']],
  ['The book fair opens Monday and closes Friday at 3 p.m.', ['day 2026-10-26', 'day 2026-10-30 15:00']],
  ['Volunteers are needed to paint the boat shed on Saturday at 9 a.m.', ['day 2026-10-24 09:00', 'helpers']],
  ["Don't forget your rain jacket on Friday.", ['bring 2026-10-23: your rain jacket', 'day 2026-10-23']],
  ['The last day to order yearbooks is November 6.', ['deadline 2026-11-06']],
  [
    'How many seats do you need for the play? Tell us no later than October 28.',
    ['deadline 2026-10-28', 'ask count'],
  ],
  ['We no longer need helpers for the launch. Thank you.', []],
  ['The lost and found is full. Please stop by the office.', []],
  [
    'Each child needs a water bottle, a hat, and sunscreen for the field day on October 28.',
    ['day 2026-10-28', 'bring 2026-10-28: a water bottle, a hat, and sunscreen'],
  ],
  ['Registration for winter sports closes on November 2 at 5 p.m.', ['deadline 2026-11-02']],
  ['Which language would your child like to learn next year: French, Spanish, or Gaelic?', ['ask choice']],
  ['The buses will run ten minutes late this week.', []],
];
