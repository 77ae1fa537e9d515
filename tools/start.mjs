import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './lib/steps.mjs';

/* Runs what `npm run build` has made, in this process. */
const program = join(root, 'dist', 'server', 'start.cjs');
if (!existsSync(program)) {
  console.error('there is no dist/: run `npm run build` first');
  process.exit(1);
}
process.env.NODE_ENV ??= 'production';
process.env.CADRO_APP_DIR ??= join(root, 'dist', 'app');
await import(program);
