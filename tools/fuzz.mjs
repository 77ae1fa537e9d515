import { join } from 'node:path';
import { spawn } from 'node:child_process';
import { parseArgs } from 'node:util';
import { root } from './lib/steps.mjs';

/*
 * Sends requests that are drawn from the document of the interface to a whole server, and says which were not answered as
 * they should: a 5xx, no answer, an error without a name. `npm run fuzz -- --requests 50000 --seed 3`; the tests send fewer.
 */
const { values } = parseArgs({
  options: { requests: { type: 'string', default: '50000' }, seed: { type: 'string', default: '1' } },
});
const child = spawn(
  process.execPath,
  [join(root, 'tools', 'test.mjs'), join('server', 'src', 'main', 'steady', 'fuzz.test.ts')],
  {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, FUZZ_REQUESTS: values.requests, FUZZ_SEED: values.seed },
  },
);
child.once('exit', (code) => process.exit(code ?? 1));
