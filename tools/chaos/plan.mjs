import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/* What will happen in a run, drawn before it begins: the same seed is the same run, with the kills and without them. */

const victims = ['server', 'worker', 'database', 'school'];
const schools = ['gannet-head', 'millrace', 'little-fathom'];
export const people = ['maren', 'tobiah'];
const kindsOfChange = ['score', 'score', 'missing', 'comment', 'attendance'];
const kindsOfWrite = ['letter', 'entry', 'follow-up', 'note'];

const most = { gapMs: 1_500, downMs: 1_500, pauseMs: 400, pick: 1_000_000 };
const changesEach = 4;
const writesEach = 4;

class Draws {
  constructor(seed) {
    this.generator = xoroshiro128plus(seed);
  }

  below(count) {
    return uniformInt(this.generator, 0, count - 1);
  }

  of(all) {
    return all[this.below(all.length)];
  }
}

const times = (count, make) => Array.from({ length: count }, (_none, nth) => make(nth));

function roundOf(draws, nth, kills) {
  const change = (place) => ({
    ...{ kind: draws.of(kindsOfChange), school: draws.of(schools), pick: draws.below(most.pick) },
    ...{ share: draws.below(100) / 100, says: `What was said in round ${nth}, the ${place}th` },
  });
  const write = (person) => (place) => ({
    ...{ kind: draws.of(kindsOfWrite), pick: draws.below(most.pick), pauseMs: draws.below(most.pauseMs) },
    // Some press twice.
    twice: draws.below(4) === 0,
    says: `${person} wrote this in round ${nth}, the ${place}th`,
  });
  return {
    changes: times(changesEach, change),
    writes: Object.fromEntries(people.map((person) => [person, times(writesEach, write(person))])),
    kills: times(kills, () => ({
      ...{ victim: draws.of(victims), afterMs: draws.below(most.gapMs), downMs: draws.below(most.downMs) },
    })),
  };
}

/**
 * @param {{ kills: number; seed: number; perRound?: number }} wanted how many processes are killed, from which seed, and
 *   how many of them before all comes to rest and is looked at.
 */
export function drawPlan({ kills, seed, perRound = 5 }) {
  const draws = new Draws(seed);
  const rounds = Math.ceil(kills / perRound);
  return times(rounds, (nth) => roundOf(draws, nth + 1, Math.min(perRound, kills - nth * perRound)));
}
