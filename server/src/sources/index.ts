export { OneRosterConnector, statusOf } from './connectors/oneRoster';
export { SourceError } from './errors';
export { addSource, allSources, moveSource, sourcesOfStudents } from './store';
export { sourceRouter } from './routes';
export { syncSource } from './sync';
