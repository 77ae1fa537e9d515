export * from './idle';
export * from './migrate';
export * from './queue';
