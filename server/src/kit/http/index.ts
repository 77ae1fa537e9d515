export * from './mount';
export * from './newRouter';
export * from './problems';
export * from './protect';
export * from './sessions';
export * from './tries';
export * from './webApp';
