import { firstEn } from './firstEn';
import { restEn } from './restEn';

/** Every text in English; the other languages have exactly these keys. */
export const en = { ...firstEn, ...restEn };
