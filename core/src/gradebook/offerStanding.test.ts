import { offerStanding } from './offerStanding';

const ms = (day: number, hour = 12): number => Date.UTC(2026, 9, day, hour);
const written = ms(14);
const offer = { untilMs: ms(27), writtenAtMs: written };
const work = (status: 'open' | 'scored' | 'excused' | 'handed-in' | 'missing', day: number | null) => ({
  status,
  atMs: day === null ? null : ms(day),
});

describe('whether an offer still asks for something', () => {
  it.each([
    ['nothing has happened since', offer, work('missing', 12), 21, 'open'],
    ['its last day is today', offer, work('missing', 12), 27, 'open'],
    ['its last day has passed', offer, work('missing', 12), 28, 'expired'],
    ['it has been scored since', offer, work('scored', 20), 21, 'settled'],
    ['it was scored before, which it is about', offer, work('scored', 13), 21, 'open'],
    ['it was excused, whenever', offer, work('excused', 13), 21, 'settled'],
    ['it has been handed in since', offer, work('handed-in', 20), 21, 'taken'],
    ['it was handed in before, and is asked for again', offer, work('handed-in', 13), 21, 'open'],
    ['it was flagged again since', offer, work('missing', 20), 21, 'open'],
    ['the classroom has seen it since', offer, { ...work('missing', 12), seenMs: ms(20) }, 21, 'taken'],
    ['the classroom saw it before', offer, { ...work('missing', 12), seenMs: ms(13) }, 21, 'open'],
    ['its end lies before its own words', { ...offer, untilMs: ms(13) }, work('missing', 12), 15, 'expired'],
    ['it names no day, and is young', { ...offer, untilMs: null }, null, 21, 'open'],
    ['it names no day, and is old', { ...offer, untilMs: null }, null, 14 + 46, 'expired'],
    ['it is about no work', offer, null, 21, 'open'],
  ] as const)('%s', (_name, made, about, day, standing) => {
    expect(offerStanding(made, about, ms(day))).toBe(standing);
  });
});
