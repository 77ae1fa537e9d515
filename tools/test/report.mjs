import { finishedSteps } from '../lib/steps.mjs';

const slowestShown = 10;

/**
 * The table at the end of a run: minutes and processor seconds of each part, and the slowest test files.
 * @param {readonly { name: string; minutes: number; processorSeconds: number }[]} others what ran beside all parts.
 * @param {readonly { file: string; seconds: number }[]} files every test file that ran.
 */
export function report(others, files) {
  const row = (name, minutes, seconds) => `  ${name.padEnd(34)}${minutes.padStart(8)}${seconds.padStart(19)}`;
  const rows = [...finishedSteps, ...others]
    .filter(({ minutes, processorSeconds }) => minutes >= 0.05 || processorSeconds >= 1)
    .map((part) => row(part.name, part.minutes.toFixed(1), part.processorSeconds.toFixed(0)));
  const slowest = [...files]
    .sort((a, b) => b.seconds - a.seconds)
    .slice(0, slowestShown)
    .map(({ file, seconds }) => `  ${seconds.toFixed(1).padStart(7)} s  ${file}`);
  return [
    ...(rows.length > 0 ? ['', row('Part', 'minutes', 'processor seconds'), ...rows] : []),
    ...(slowest.length > 0 ? ['', '  The slowest test files', ...slowest] : []),
  ].join('\n');
}
