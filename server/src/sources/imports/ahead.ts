/** Reads one further while what was read is worked on: reading and writing are two processes' work. */
export async function* ahead<T>(source: AsyncGenerator<T>): AsyncGenerator<T> {
  let next = source.next();
  try {
    for (;;) {
      const read = await next;
      if (read.done) return;
      next = source.next();
      // It is asked about when its turn comes, which may be never.
      next.catch(() => undefined);
      yield read.value;
    }
  } finally {
    await next.catch(() => undefined);
    await source.return(undefined);
  }
}
