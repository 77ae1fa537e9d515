import { existsSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { endCommand, root, run } from '../lib/steps.mjs';

const jest = join(root, 'node_modules', '.bin', 'jest');

/** What Jest runs with: Node reads the TypeScript of the layers that run in it. */
export const jestEnvironment = { NODE_ENV: 'test', TZ: 'UTC', NODE_OPTIONS: '--import tsx' };

/** No test file takes as long, on however busy a machine: after it, the run hangs. */
const longestSilenceMs = 600_000;

/**
 * Runs Jest.
 * @param {{ args: readonly string[]; env: Record<string, string>; report: string; cwd?: string }} how
 * @returns {Promise<{ passed: number; failed: number; files: { file: string; seconds: number }[] }>}
 */
export async function runJest({ args, env, report, cwd = root }) {
  let silence;
  let hung = false;
  const watch = (child) => {
    clearTimeout(silence);
    silence = setTimeout(() => {
      hung = true;
      endCommand(child);
    }, longestSilenceMs);
  };
  let started;
  const { code, output } = await run(
    jest,
    ['--json', `--outputFile=${report}`, '--maxWorkers=2', '--forceExit', ...args],
    {
      cwd,
      env: { ...jestEnvironment, ...env },
      allowFailure: true,
      onStart: (child) => watch((started = child)),
      onLine: () => watch(started),
    },
  );
  clearTimeout(silence);
  const lines = output.trimEnd().split('\n');
  for (const line of lines)
    if (line.startsWith('measured: ')) console.log(`    ${line.slice('measured: '.length)}`);
  if (code !== 0)
    console.log(
      lines
        .filter((line) => !line.startsWith('{"') && !line.startsWith('PASS '))
        .slice(-150)
        .join('\n'),
    );
  if (hung) {
    console.log(
      `No test file ended within ${longestSilenceMs / 60_000} minutes: the ones not named above hang.`,
    );
    return { passed: 0, failed: 1, files: [] };
  }
  if (!existsSync(report)) return { passed: 0, failed: 1, files: [] };
  return summary(JSON.parse(readFileSync(report, 'utf8')));
}

/** Counts a file that holds no test as a failure: it would pass whatever it is about. */
function summary({ numPassedTests, numFailedTests, numRuntimeErrorTestSuites, testResults }) {
  const empty = testResults.filter(
    ({ assertionResults, status }) => status === 'passed' && assertionResults.length === 0,
  );
  for (const { name } of empty) console.log(`${relative(root, name)} holds no test.`);
  return {
    passed: numPassedTests,
    failed: numFailedTests + numRuntimeErrorTestSuites + empty.length,
    files: testResults.map(({ name, startTime, endTime }) => ({
      file: relative(root, name),
      seconds: (endTime - startTime) / 1000,
    })),
  };
}
