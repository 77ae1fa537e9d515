import { now } from '../lib/steps.mjs';
import { compare } from './compare.mjs';
import { Place, stopAll } from './place.mjs';
import { drawPlan } from './plan.mjs';
import { Rounds } from './rounds.mjs';
import { figuresOf, stateOf, stuckOf, writesOf } from './states.mjs';

/** Goes through a plan at a place of its own and tells what there is in the end. */
async function goThrough(plan, { made, name, disturbed, tell }) {
  const place = new Place(made, name);
  try {
    await place.start();
    const rounds = await new Rounds(place, { disturbed }).begin();
    for (const [nth, round] of plan.entries()) {
      const begun = now();
      await rounds.go(round);
      const kills = disturbed ? `, ${round.kills.map(({ victim }) => victim).join(' ')}` : '';
      tell(`${name} ${nth + 1} of ${plan.length}: ${((now() - begun) / 1000).toFixed(1)} s${kills}`);
    }
    await rounds.close();
    const state = await stateOf(place);
    const figures = await figuresOf(place);
    await place.stack.command('rebuildFigures');
    return {
      ...{ state, figures, rebuilt: await figuresOf(place), writes: await writesOf(place) },
      acknowledged: rounds.writers.flatMap(({ acknowledged }) => acknowledged),
      stuck: [
        ...(await stuckOf(place)),
        ...rounds.writers.flatMap(({ unanswered }) => unanswered),
        ...Array.from({ length: rounds.restless }, () => 'a round that did not come to rest'),
        ...place.lost.map((part) => `${part} ended by itself`),
      ],
    };
  } finally {
    await place.stop();
  }
}

/** What was acknowledged must be there once, and a letter must have arrived, too. */
function ofWrites({ acknowledged, writes }) {
  const wanted = acknowledged.flatMap(({ kind, says }) => [
    `${kind} · ${says}`,
    ...(kind === 'letter' ? [`arrived · ${says}`] : []),
  ]);
  const known = new Set(wanted);
  return compare(
    writes.filter((line) => known.has(line)),
    wanted,
  );
}

/**
 * Goes through one plan twice, once with every kill and once without any, and compares what there is in the end.
 * @param {{ made: object; kills: number; seed: number; perRound?: number; tell: (line: string) => void }} wanted
 *   `made` is what the places are built of: cluster, folder, build, secret and the story's state.
 * @returns what was lost, doubled, stuck and untrue, each as lines that name it, and how many writes were acknowledged.
 */
export async function chaos({ made, kills, seed, perRound, tell }) {
  const plan = drawPlan({ kills, seed, perRound });
  const undisturbed = await goThrough(plan, { made, name: 'undisturbed', disturbed: false, tell });
  const disturbed = await goThrough(plan, { made, name: 'disturbed', disturbed: true, tell });
  const found = { lost: [], doubled: [], untrue: [], stuck: disturbed.stuck };
  const take = (name, compared) => {
    for (const [what, lines] of Object.entries(compared))
      found[what].push(...lines.map((line) => `${name}: ${line}`));
  };
  take('write', ofWrites(disturbed));
  for (const [name, lines] of Object.entries(disturbed.state))
    take(name, compare(lines, undisturbed.state[name]));
  take('figures rebuilt', compare(disturbed.figures, disturbed.rebuilt));
  const compared = Object.values(disturbed.state).reduce((sum, lines) => sum + lines.length, 0);
  return { ...found, writes: disturbed.acknowledged.length, compared };
}

export { stopAll };

const faults = ['lost', 'doubled', 'stuck', 'untrue'];
/** So many lines of each kind are shown. */
const mostShown = 60;

/** The last line of a run. */
export const sumUp = (found) => faults.map((what) => `${found[what].length} ${what}`).join(', ');
export const isNothing = (found) => faults.every((what) => found[what].length === 0);
/** What was found, by name. */
export const tellFound = (found) =>
  faults.flatMap((what) => found[what].slice(0, mostShown).map((line) => `${what}: ${line}`)).join('\n');
