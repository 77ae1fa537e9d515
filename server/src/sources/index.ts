export { reckonBundles } from './bundle/reckon';
export { SourceError } from './errors';
export {
  sourceProblems,
  addSource,
  allSources,
  moveSource,
  sourcesOfStudents,
  sourceStates,
  type SourceState,
  findSource,
} from './store';
export { sourceRouter } from './routes';
export type { ReadingHooks } from './hooks';
export { readingJob, syncSource } from './sync';
