import { join } from 'node:path';
import { lookForThreads } from '../kit/paths';

const build = process.env['CADRO_BUILD_DIR'];
if (build) lookForThreads(join(build, 'server'));
