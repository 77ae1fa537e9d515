export * from './app';
export * from './mount';
export * from './problems';
