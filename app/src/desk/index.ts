export * from './DeskScreen';
export * from './FromChild';
export { KeptScreen } from './KeptScreen';
export * from './OwnWords';
export { SharedScreen } from './SharedScreen';
