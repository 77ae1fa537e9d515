import { at, termEnd as lastDay } from './days/calendar';
import { gannetHead } from './schools/gannetHead';
import { littleFathom } from './schools/littleFathom';
import { millrace } from './schools/millrace';

export { codeFor, markId } from './days/attendance';
export { at, schoolDays, storyEnd } from './days/calendar';
export { buildSchool } from './build';
export { mailOf, resultRow } from './rows';
export { schoolContacts } from './schools/contacts';
export { keelModel } from './specials';
export type { CourseSpec } from './schools/specs';
export { Records, type Current } from './world';

export const schools = [gannetHead, millrace, littleFathom] as const;
/** The family has had Cadro for two weeks when the demo opens. */
export const readsFrom = at('2026-10-07', '16:40');
export const opensAt = at('2026-10-21', '16:40');
export const termEnd = at(lastDay, '23:59');
