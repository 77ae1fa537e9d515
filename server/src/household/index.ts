export { childrenFor, dateIn, requireChild } from './access';
export { householdRouter } from './routes';
export { hashPassword } from './signIn';
export { addHousehold, guardianById, putLink } from './store';
