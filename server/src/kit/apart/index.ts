export { Apart, threadKind, TooMuch, type ApartLimits, type ThreadKind } from './apart';
export { Threads } from './threads';
export { NoTurn, Turns } from './turns';
