import { once } from 'node:events';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';

/** A text on a printed page, in points from its lower left corner. */
export interface Printed {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly size: number;
}

/** Reads PDFs by their own letters. It works beside the tests, whose modules are of another kind. */
export class PaperReader {
  private readonly worker = new Worker(join(__dirname, 'paperReader.mjs'));
  private last: Promise<unknown> = Promise.resolve();

  /** What stands on each page; empty texts are left out. One paper is read after the other. */
  read(bytes: Buffer): Promise<Printed[][]> {
    const reading = this.last.then(async () => {
      const answered = once(this.worker, 'message');
      this.worker.postMessage(bytes);
      const [pages] = (await answered) as [Printed[][]];
      return pages.map((page) => page.filter(({ text }) => text.trim() !== ''));
    });
    this.last = reading.catch(() => undefined);
    return reading;
  }

  async close(): Promise<void> {
    await this.worker.terminate();
  }
}
