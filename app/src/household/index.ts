export { ChildTag, MarkOf } from './ChildTag';
export * from './api';
export * from './begun';
export * from './children';
export * from './door';
export * from './keeping/SafetyScreen';
export { PeopleNews } from './people/Notices';
export * from './people/PeopleScreen';
export * from './useFormat';
