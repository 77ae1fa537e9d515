import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { playwright } from '../lib/browser.mjs';

/**
 * Runs the browser tests.
 * @param {{ made: object; run: string; specs: readonly string[]; workers: number; delaySeed?: number; folder: string }} how
 *   `made` is what the stacks are built of; without `specs` every file runs.
 * @returns {Promise<{ passed: number; failed: number; files: { file: string; seconds: number }[] }>}
 */
export async function runPlaywright({ made, run, specs, workers, delaySeed, folder }) {
  const report = join(folder, `browser-${run.replace(' ', '-')}.json`);
  const { code, output } = await playwright({
    ...made,
    run,
    delaySeed,
    args: ['--project=journeys', ...specs],
    env: { CADRO_E2E_REPORT: report, CADRO_E2E_WORKERS: String(workers) },
    onLine: (line) => /^\s*[✓✘]/.test(line) && console.log(`    ${line}`),
  });
  if (code !== 0) console.log(output.trimEnd().split('\n').slice(-150).join('\n'));
  const { stats, errors, suites } = JSON.parse(readFileSync(report, 'utf8'));
  return {
    passed: stats.expected + stats.flaky,
    failed: stats.unexpected + errors.length,
    files: suites.map(({ file, ...suite }) => ({
      file: join('e2e', 'src', file),
      seconds: secondsOf(suite),
    })),
  };
}

const secondsOf = ({ specs = [], suites = [] }) =>
  specs
    .flatMap(({ tests }) => tests.flatMap(({ results }) => results))
    .reduce((sum, { duration }) => sum + duration / 1000, 0) +
  suites.reduce((sum, suite) => sum + secondsOf(suite), 0);
