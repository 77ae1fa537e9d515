export * from './api';
export * from './prefs';
export * from './store';
