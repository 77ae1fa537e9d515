import { tableReader, type TableAsk } from './table';

const read = tableReader((told) => self.postMessage(told));
self.onmessage = ({ data }: MessageEvent<TableAsk>) => void read(data);
