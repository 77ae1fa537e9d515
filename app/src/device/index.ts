export { AwayLine, NewVersionLine } from './Lines';
export { useCopies } from './useCopies';
export { OnThisDevice, WhoseDevice } from './WhoseDevice';
