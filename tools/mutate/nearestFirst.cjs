const { readFileSync } = require('node:fs');
const { sep } = require('node:path');
const Sequencer = require('@jest/test-sequencer').default;

/** How many folders a test shares with the file that has the fault. */
function shared(path, fault) {
  const [mine, its] = [path.split(sep), fault.split(sep)];
  const apart = its.findIndex((each, place) => each !== mine[place]);
  return apart < 0 ? its.length : apart;
}

/** How much a test speaks of a room, those that go through all rooms a little more: less than a folder that it shares. */
function speaksOf(path, room) {
  const said = readFileSync(path, 'utf8').match(new RegExp(room.replace(/s$/, ''), 'gi')) ?? [];
  return Math.min(said.length, 79) / 100 + (path.includes(`${sep}main${sep}`) ? 0.2 : 0);
}

/** The nearest test notices soonest: first those beside the fault, then those that speak of its room. */
module.exports = class NearestFirst extends Sequencer {
  sort(tests) {
    const { FAULTY_FILE: fault = '', NEAREST = 'Infinity' } = process.env;
    const room = fault.split(`${sep}src${sep}`).at(-1).split(sep)[0];
    const nearness = new Map(
      tests.map((test) => [test, shared(test.path, fault) + speaksOf(test.path, room)]),
    );
    return [...tests].sort((a, b) => nearness.get(b) - nearness.get(a)).slice(0, Number(NEAREST));
  }
};
