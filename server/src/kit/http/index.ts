export * from './mount';
export * from './problems';
export * from './protect';
export * from './tryLimits';
export * from './webApp';
