import type { SameKeys } from '../catalogue';
import type { restEn } from '../en/restEn';
import { gradebookEs } from './gradebook';
import { begunEs } from './begun';
import { besideEs } from './beside';
import { countingEs } from './counting';
import { homeEs } from './home';
import { operatorEs } from './operator';
import { ownEs } from './own';
import { roadsEs } from './roads';
import { sitdownEs } from './sitdown';
import { messageEs } from './message';
import { rulesEs } from './rules';
import { entriesEs } from './entries';
import { dayEs } from './day';
import { tryingEs } from './trying';
import { schoolEs } from './school';

/** What every other place says. */
export const restEs: SameKeys<typeof restEn> = {
  ...gradebookEs,
  ...begunEs,
  ...besideEs,
  ...countingEs,
  ...homeEs,
  ...operatorEs,
  ...ownEs,
  ...roadsEs,
  ...sitdownEs,
  ...messageEs,
  ...rulesEs,
  ...entriesEs,
  ...dayEs,
  ...tryingEs,
  ...schoolEs,
};
