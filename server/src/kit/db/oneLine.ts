import type { Socket } from 'node:net';

/** A connection as the driver has it: statements are sent one after the other, whether answered or not. */
export interface Sends {
  readonly connection?: { readonly stream: Socket };
}

/** Sockets that hold back what they are given until the end of this turn of the loop. */
const held = new WeakSet<Socket>();

/**
 * Sends what is asked in one turn of the loop in one piece. Whatever a page asks at once costs one call to the system
 * instead of one for each statement, which is a good part of what a statement costs.
 */
export function sendTogether({ connection }: Sends): void {
  const stream = connection?.stream;
  if (!stream || held.has(stream)) return;
  held.add(stream);
  stream.cork();
  setImmediate(() => {
    held.delete(stream);
    stream.uncork();
  });
}

/** Takes and gives back what many use at the same time: it is there from the first that takes it to the last. */
export function sharedBy<T>(taken: () => Promise<T>, given: (back: T) => void) {
  let users = 0;
  let one: Promise<T> | null = null;
  return {
    take(): Promise<T> {
      users += 1;
      one ??= taken();
      return one.catch((error: unknown) => {
        // Nobody has it: the next one tries anew.
        users -= 1;
        if (users === 0) one = null;
        throw error;
      });
    },
    give(back: T): void {
      users -= 1;
      if (users > 0) return;
      one = null;
      given(back);
    },
  };
}
