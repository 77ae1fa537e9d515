const enoughMs = 400;
const leastRuns = 30;

function onceMs(run: () => unknown): number {
  const started = process.hrtime.bigint();
  run();
  return Number(process.hrtime.bigint() - started) / 1e6;
}

/** Below which a share of some values lies. @param share from 0 to 1. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor((sorted.length - 1) * share)] ?? NaN;
}

/** The median time of each of two runs, taken in turns so that whatever else the machine does meets both. */
export function medianMs(runs: readonly [() => unknown, () => unknown]): [number, number] {
  const times: [number[], number[]] = [[], []];
  for (let warm = 0; warm < leastRuns; warm++) runs.forEach((run) => run());
  for (let spent = 0; spent < enoughMs || times[0].length < leastRuns;) {
    const first = onceMs(runs[0]);
    const second = onceMs(runs[1]);
    times[0].push(first);
    times[1].push(second);
    spent += first + second;
  }
  return [quantile(times[0], 0.5), quantile(times[1], 0.5)];
}
