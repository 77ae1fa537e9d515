export { childrenFor, requireChild, requireWriter } from './access';
export { draftRouter } from './draftRoutes';
export type { LinkHook } from './linking';
export { householdRouter } from './routes';
export { hashPassword } from './signIn';
export { addHousehold, guardianById, householdOf, linkedStudents, putLink } from './store';
