/* Calendars of the standard (RFC 5545). An entry of its own: what reads and writes them is heavy. */
export * from './expand';
export * from './invite';
export * from './publish';
export * from './read';
export * from './recurrence';
export * from './write';
export * from './zones';
export { instantAt, wallTimeIn, type WallTime } from '../clock';
