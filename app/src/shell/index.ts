export * from './BackLink';
export * from './Shell';
