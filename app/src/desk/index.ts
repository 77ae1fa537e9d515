export * from './DeskScreen';
export * from './FromChild';
export { FromChildren } from './FromChildren';
export { KeptScreen } from './KeptScreen';
export * from './OwnWords';
export { SharedScreen } from './SharedScreen';
