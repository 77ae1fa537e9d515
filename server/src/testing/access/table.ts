import { deskTable } from './desk';
import { doorTable } from './door';
import { operatorTable } from './operator';
import { recordTable } from './record';
import { talkTable } from './talk';

/** Every route of the contract. */
export const accessTable = { ...doorTable, ...recordTable, ...deskTable, ...talkTable, ...operatorTable };
