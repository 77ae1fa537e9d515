export * from './database';
export * from './clock';
export * from './locks';
export * from './together';
