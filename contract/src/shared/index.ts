export * from './agreement';
export * from './live';
export * from './openapi';
export * from './problem';
export * from './route';
export * from './scalars';
