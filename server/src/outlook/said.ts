import type { Said } from '@cadro/core';
import type { SaidOfWork } from '../records';

/** What a source says of a work, as the core compares it. */
export const saidAs = ({ status, earned, at }: SaidOfWork): Said => ({
  status,
  earned,
  atMs: at && at.getTime(),
});
