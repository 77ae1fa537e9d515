/* Records on their way out, in the standard's form. An entry of its own: few pages need it. */
export {
  oneRosterOf,
  type OutChild,
  type OutCourse,
  type OutRow,
  type OutTables,
  type OutTerm,
} from './oneRoster';
export { bundleFiles, type OutFile } from './tables';
