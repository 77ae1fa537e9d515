import { join } from 'node:path';
import { root, run, step } from '../lib/steps.mjs';

const layers = ['core', 'contract', 'server', 'school', 'app', 'e2e', 'bench', 'tools'];

/** Types are checked by the native compiler, in a fifth of the time; lint uses the one written in JavaScript. */
const bin = (name) =>
  name === 'tsc'
    ? join(root, 'node_modules', 'typescript-native', 'bin', 'tsc')
    : join(root, 'node_modules', '.bin', name);

/** Every check of the code itself, the longest first: its name, its command, and what to do where it fails. */
export function codeChecks() {
  const route =
    'An endpoint takes its types from its route in contract/: change the route, or what is made of it.';
  // Another check runs beside it: threads of its own would do some of its work twice.
  const singleThreaded = '--singleThreaded';
  const sources = layers.map((name) => (name === 'tools' ? name : `${name}/src`));
  return [
    [
      'Lint',
      'eslint',
      ['.'],
      'The modules, their order and the tables they own stand in tools/lint/rooms.mjs.',
    ],
    ['Formatting', 'prettier', ['--check', '--log-level', 'warn', '.'], 'npm run format mends it.'],
    ['Types of the app', 'tsc', ['-p', 'app', singleThreaded], route],
    // All that runs in Node is one program: its layers read each other.
    ['Types of what runs in Node', 'tsc', ['-p', 'tsconfig.node.json', singleThreaded], route],
    ['Types of the service worker', 'tsc', ['-p', 'app/offline', singleThreaded], route],
    ['Types of the browser tests', 'tsc', ['-p', 'e2e', singleThreaded], route],
    [
      'Circles',
      'depcruise',
      ['--config', 'tools/lint/circles.cjs', '-T', 'err-long', ...sources],
      'Move what these files share into one that imports neither.',
    ],
    [
      'Unused code',
      'knip',
      ['--no-progress'],
      'Remove what nobody uses, or the `export` of what its own file alone uses.',
    ],
  ];
}

/**
 * Runs checks from a shared list until it is empty. A check counts as one test: the others still run when it fails.
 * @param {ReturnType<typeof codeChecks>} remaining several callers may take from it at once.
 * @param {(passed: number, failed: number) => string} count
 */
export async function runChecks(remaining, count) {
  for (let next = remaining.shift(); next; next = remaining.shift()) {
    const [name, command, args, remedy] = next;
    await step(name, async () => {
      const { code, output } = await run(bin(command), args, { allowFailure: true });
      if (code !== 0) console.log(`${output.trimEnd()}\n${remedy}`);
      return count(code === 0 ? 1 : 0, code === 0 ? 0 : 1);
    });
  }
}
