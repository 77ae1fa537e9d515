import { deskTable } from './desk';
import { doorTable } from './door';
import { recordTable } from './record';
import { talkTable } from './talk';

/** Every route of the contract. */
export const accessTable = { ...doorTable, ...recordTable, ...deskTable, ...talkTable };
