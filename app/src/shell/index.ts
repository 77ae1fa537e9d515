export * from '../ui';
export * from './Shell';
export * from './Settings';
