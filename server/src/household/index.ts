export { childrenFor, requireChild, requireWriter, schoolDateOf } from './access';
export { householdRouter } from './routes';
export { hashPassword } from './signIn';
export { addHousehold, guardianById, householdOf, putLink } from './store';
