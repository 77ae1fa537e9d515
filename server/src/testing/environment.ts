import { join } from 'node:path';
import { lookForThreads } from '../kit/paths';

jest.setTimeout(180_000);

const build = process.env['CADRO_BUILD_DIR'];
if (build) lookForThreads(join(build, 'server'));
