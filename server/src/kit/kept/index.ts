export { keptAnswer, type KeptAnswer } from './kept';
export { forgetKept } from './keptStore';
