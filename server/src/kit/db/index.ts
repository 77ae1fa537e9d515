export * from './database';
export * from './clock';
export { isNotPermitted, isUniqueViolation } from './faults';
export * from './locks';
export { tableSizes } from './sizes';
export * from './together';
export { houseOf, houseTransaction, houseWithin, maySayOf, personalDb } from './whose';
