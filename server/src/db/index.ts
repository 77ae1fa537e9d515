export * from './database';
export * from './clock';
