export { sourceAddress } from './address';
export { reckonBundles } from './bundle/reckon';
export { SourceError } from './errors';
export {
  untoldOf,
  sourceProblems,
  addBundleSource,
  addSource,
  allSources,
  moveSource,
  sourceAges,
  sourcesOfStudents,
  findSource,
} from './store';
export { restingSources, sourceStates, type SourceState } from './stateStore';
export { problemsOf } from './problemStore';
export { sourceRouter } from './routes';
export type { MirroredTold, ReadingHooks } from './hooks';
export { answerBundle, bundlesOf, sweepBundles } from './imports/bundleStore';
export { lookForBundles } from './imports/folder';
export { BundleTooLarge, receiveBundle, receiveFile } from './imports/receive';
export { receiveForwarded } from './mail/forwarded';
export type { Incoming } from './mail/incoming';
export { broughtTo, receiversOf } from './mail/receivers';
export { incomingMail, lookAtFiles, returnedOf } from './mail/mailReader';
export { askSafely, drop, fetchText } from './http/asking';
export { askForSlot, type BookingAnswer, type BookingDeps } from './booking';
export { steerSource, wholeDue } from './store';
export { mirror, wantMirrors } from './beside/mirror';
export { followWork, type CalendarWork } from './own/followed';
export type { OwnDeps } from './own/writeOwn';
export { sweepOwnSources } from './own/ownStore';
export { ownRouter } from './own/ownRoutes';
export { readEveryMinutes, readingJob, underWay, wholeReadingJob } from './readingJob';
export { syncSource } from './sync';
