export * from './idle';
export * from './queue';
export * from './tasks';
export * from './worker';
