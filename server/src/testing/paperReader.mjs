import { parentPort } from 'node:worker_threads';
import { extractTextItems } from 'unpdf';

/* Reads what is printed on a page, as who holds it would: each text and where it stands. */
parentPort?.on('message', async (bytes) => {
  const { items } = await extractTextItems(new Uint8Array(bytes));
  parentPort?.postMessage(
    items.map((page) => page.map(({ str, x, y, fontSize }) => ({ text: str, x, y, size: fontSize }))),
  );
});
