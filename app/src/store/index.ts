export * from './api';
export * from './inHand';
export * from './prefs';
export * from './store';
