export * from './openapi';
export * from './parse';
export * from './problem';
export * from './route';
export * from './scalars';
