import { Improver } from './improve';
import { worthOf, type Assignment, type Problem } from './problem';
import { Relaxation, startPrices, type Open, type Relaxed } from './relaxation';

/** Worths are whole numbers: a bound less than this above one is no better. */
const slack = 0.25;
/** Rounds in which the prices of the first and of every later branch are sought. */
const [firstRounds, laterRounds] = [500, 20];
/** Rounds without a better bound after which the prices move half as far. */
const patience = 15;
/** How much of its last move a price keeps, so that it does not sway to and fro. */
const momentum = 0.7;
/** The newest relaxed plan's share in the running mean that tells how sure a place is. */
const newest = 0.1;

interface Node {
  readonly open: Open;
  readonly room: Int32Array;
  /** The evening of each task that is decided, -1 of the others. */
  readonly decided: Assignment;
  /** What the decided tasks are worth. */
  readonly base: number;
  readonly prices: Float64Array;
}

interface Branch extends Node {
  readonly bound: number;
  /** How often each place was taken while the prices were sought, 0 to 1. */
  readonly often: Float64Array;
}

export interface Found {
  readonly assignment: Assignment;
  readonly worth: number;
  /** No plan is worth more. */
  readonly bound: number;
  /** The prices of the whole problem and the bound they give. */
  readonly root: { readonly prices: Float64Array; readonly bound: number } | null;
}

/**
 * Looks for the best plan by branch and bound: the relaxation says how much the undecided can still bring, what
 * cannot be part of a better plan is closed, and the rest is decided place by place.
 */
export class Search {
  private readonly relaxation: Relaxation;
  private readonly improver: Improver;
  private best: Assignment;
  private worth: number;

  constructor(private readonly problem: Problem) {
    this.relaxation = new Relaxation(problem);
    this.improver = new Improver(problem);
    this.best = this.improver.improve(new Int32Array(problem.tasks.length).fill(-1));
    this.worth = worthOf(problem, this.best);
  }

  /** @param most how many branches are looked at; when they do not suffice, `bound` stays above `worth`. */
  run(most: number): Found {
    const { problem } = this;
    const root = this.bounded(
      {
        open: Uint8Array.from(problem.worth.flatMap((row) => [...row].map((worth) => (worth > 0 ? 1 : 0)))),
        room: Int32Array.from(problem.room),
        decided: new Int32Array(problem.tasks.length).fill(-1),
        base: 0,
        prices: startPrices(problem),
      },
      firstRounds,
    );
    const waiting: Branch[] = root ? [root] : [];
    for (let looked = 1; waiting.length > 0 && looked < most;) {
      const next = waiting.pop();
      if (!next || !this.promises(next.bound)) continue;
      for (const child of this.children(next)) {
        const branch = this.bounded(child, laterRounds);
        if (branch) waiting.push(branch);
        looked++;
      }
    }
    if (waiting.some(({ bound }) => this.promises(bound))) this.take(this.improver.improveWell(this.best));
    const bound = Math.max(this.worth, ...waiting.map((branch) => Math.floor(branch.bound + slack)));
    return { assignment: this.best, worth: this.worth, bound, root };
  }

  private promises(bound: number): boolean {
    return Math.floor(bound + slack) > this.worth;
  }

  private take(assignment: Assignment): void {
    const worth = worthOf(this.problem, assignment);
    if (worth > this.worth) [this.best, this.worth] = [assignment, worth];
  }

  /** A plan made from a relaxed one: each task stays where it stands first. */
  private repair({ decided }: Node, { placed, times }: Relaxed): void {
    const evenings = this.problem.evenings.length;
    const assignment = decided.slice();
    times.forEach((count, task) => {
      if (count > 0) assignment[task] = placed.subarray(task * evenings, (task + 1) * evenings).indexOf(1);
    });
    this.take(this.improver.improve(assignment));
  }

  /** Finds good prices for a node and closes what they rule out; null when nothing better can come of it. */
  private bounded(node: Node, rounds: number): Branch | null {
    const prices = node.prices.slice();
    const way = new Float64Array(prices.length);
    const often = new Float64Array(node.open.length);
    let best: { bound: number; prices: Float64Array; relaxed: Relaxed } | null = null;
    let [pace, since] = [1, 0];
    for (let round = 0; round < rounds; round++) {
      const relaxed = this.relaxation.at(prices, node.open, node.room);
      const bound = node.base + relaxed.bound;
      relaxed.placed.forEach((placed, place) => (often[place]! += newest * (placed - often[place]!)));
      since++;
      if (!best || bound < best.bound) [best, since] = [{ bound, prices: prices.slice(), relaxed }, 0];
      if (round % 10 === 0) this.repair(node, relaxed);
      if (!this.promises(best.bound)) return null;
      if (since >= patience) {
        [pace, since] = [pace / 2, 0];
        prices.set(best.prices);
      }
      const length = this.turn(way, relaxed, prices);
      if (length === 0) {
        this.repair(node, relaxed);
        break;
      }
      const step = (pace * (bound - this.worth * 0.998)) / length;
      way.forEach((each, task) => (prices[task] = Math.max(0, Math.round(prices[task]! + step * each))));
    }
    if (!best || !this.promises(best.bound)) return null;
    return { ...node, open: this.closed(node.open, best), prices: best.prices, bound: best.bound, often };
  }

  /** Turns the way of the prices towards what the relaxed plan has too often or not at all; its squared length. */
  private turn(way: Float64Array, { times }: Relaxed, prices: Float64Array): number {
    let length = 0;
    times.forEach((count, task) => {
      const wrong = count === 0 && prices[task] === 0 ? 0 : count - 1;
      way[task] = wrong + momentum * way[task]!;
      length += way[task]! ** 2;
    });
    return length;
  }

  private closed(open: Open, { bound, relaxed }: { bound: number; relaxed: Relaxed }): Open {
    return open.map((is, place) =>
      is && !relaxed.placed[place] && !this.promises(bound - relaxed.falls[place]!) ? 0 : is,
    );
  }

  /** Decides the place that is least sure: there or not there. The likelier, the last, is looked at first. */
  private children(branch: Branch): Node[] {
    const { often, open } = branch;
    const evenings = branch.room.length;
    const { size, worth } = this.problem;
    let [place, doubt] = [-1, -1];
    often.forEach((share, each) => {
      const unsure = Math.min(share, 1 - share);
      if (open[each] && unsure > doubt) [place, doubt] = [each, unsure];
    });
    if (place < 0) return [];
    const [task, evening] = [Math.floor(place / evenings), place % evenings];
    const without = open.slice();
    without[place] = 0;
    const room = branch.room.slice();
    room[evening]! -= size[task]!;
    const there = open.map((is, each) =>
      Math.floor(each / evenings) === task ||
      (each % evenings === evening && size[Math.floor(each / evenings)]! > room[evening]!)
        ? 0
        : is,
    );
    const decided = branch.decided.slice();
    decided[task] = evening;
    const prices = branch.prices.slice();
    prices[task] = 0;
    return [
      { ...branch, open: without },
      { open: there, room, decided, prices, base: branch.base + worth[task]![evening]! },
    ];
  }
}
