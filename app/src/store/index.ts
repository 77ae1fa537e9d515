export * from './api';
export * from './inHand';
export { leftOutbox, type Waiting } from './outbox';
export * from './prefs';
export { sendWaiting } from './sending';
export { sessionBegun } from './session';
export * from './store';
export { inTurn } from './turns';
export { isStale, reloadOnce } from './staleBundle';
