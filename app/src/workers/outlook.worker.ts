import { answerer, type Ask } from './outlook';

const answer = answerer((told) => self.postMessage(told));
self.onmessage = ({ data }: MessageEvent<Ask>) => answer(data);
