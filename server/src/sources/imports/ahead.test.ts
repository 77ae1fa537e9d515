import { ahead } from './ahead';

async function* upTo(count: number, seen: string[]) {
  try {
    for (let each = 1; each <= count; each += 1) {
      seen.push(`read ${each}`);
      yield each;
    }
  } finally {
    seen.push('closed');
  }
}

it('gives all in order, each read before the one before it is done with', async () => {
  const seen: string[] = [];
  for await (const each of ahead(upTo(3, seen))) {
    seen.push(`work ${each}`);
    await Promise.resolve();
  }
  expect(seen).toEqual(['read 1', 'read 2', 'work 1', 'read 3', 'work 2', 'closed', 'work 3']);
});

it('lets go of what it reads where somebody stops, and says what went wrong where it did', async () => {
  const seen: string[] = [];
  for await (const each of ahead(upTo(9, seen))) if (each === 2) break;
  expect(seen.at(-1)).toBe('closed');
  async function* broken() {
    yield 1;
    throw new Error('broken');
  }
  const taken: number[] = [];
  const walked = async () => {
    for await (const each of ahead(broken())) taken.push(each);
  };
  await expect(walked()).rejects.toThrow('broken');
  expect(taken).toEqual([1]);
});
