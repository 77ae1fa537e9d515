export * from './idle';
export * from './keeper';
export { workersState } from './leaseStore';
export * from './migrate';
export * from './queue';
