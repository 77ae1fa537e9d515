export { AwayLine, NewVersionLine } from './Lines';
export { beginPushing, canPush, endPushing, isBlocked, reachedBy } from './pushing';
export { useCopies } from './useCopies';
export { useOpened } from './useOpened';
export { OnThisDevice, WhoseDevice } from './WhoseDevice';
