import { gradebookEn } from './gradebook';
import { begunEn } from './begun';
import { besideEn } from './beside';
import { countingEn } from './counting';
import { homeEn } from './home';
import { operatorEn } from './operator';
import { ownEn } from './own';
import { roadsEn } from './roads';
import { sitdownEn } from './sitdown';
import { messageEn } from './message';
import { rulesEn } from './rules';
import { entriesEn } from './entries';
import { dayEn } from './day';
import { tryingEn } from './trying';
import { schoolEn } from './school';

/** What every other place says. */
export const restEn = {
  ...gradebookEn,
  ...begunEn,
  ...besideEn,
  ...countingEn,
  ...homeEn,
  ...operatorEn,
  ...ownEn,
  ...roadsEn,
  ...sitdownEn,
  ...messageEn,
  ...rulesEn,
  ...entriesEn,
  ...dayEn,
  ...tryingEn,
  ...schoolEn,
};
