import type { Catalogue } from '../catalogue';
import { firstEs } from './firstEs';
import { restEs } from './restEs';

/** Every text in Spanish. */
export const es: Catalogue = { ...firstEs, ...restEs };
