/**
 * The stream of a rehearsal, read line by line.
 * @jest-environment node
 */
import { presetRules } from '@cadro/core';
import { replaceGlobals } from '../testing/globals';
import { rehearseRules } from './api';

const asked: { address: unknown; init: RequestInit | undefined }[] = [];
let next: { chunks: readonly string[] | null; status: number };
const answerWith = (chunks: readonly string[] | null, status = 200) => (next = { chunks, status });
replaceGlobals({
  fetch: (address: unknown, init?: RequestInit) => {
    const { chunks, status } = next;
    asked.push({ address, init });
    const body =
      chunks &&
      new ReadableStream<Uint8Array>({
        start(stream) {
          for (const chunk of chunks) stream.enqueue(new TextEncoder().encode(chunk));
          stream.close();
        },
      });
    return Promise.resolve(new Response(body, { status }));
  },
});
const rules = presetRules('usual');
async function rehearsed() {
  const told: number[] = [];
  const { signal } = new AbortController();
  const answer = await rehearseRules(rules, (done) => told.push(done), signal);
  return { told, answer };
}

it('is told as it comes, wherever the lines are cut, and its last line is the answer', async () => {
  answerWith(['{"done":0.2', '5}\n{"done":0.5}\n', '{"rehearsal":{"days":[]}}', '\n']);
  expect(await rehearsed()).toEqual({ told: [0.25, 0.5], answer: { days: [] } });
  expect(asked[0]?.address).toBe('/api/alerts/rehearsal');
  expect(asked[0]?.init).toMatchObject({ method: 'POST', body: JSON.stringify(rules) });
});

it.each<[string, readonly string[] | null, number, string]>([
  ['that is refused', ['{}'], 422, 'a rehearsal was answered with 422'],
  ['without a body', null, 200, 'a rehearsal was answered with 200'],
  ['that fails half way', ['{"done":0.5}\n{"failed":true}\n'], 200, 'the rules could not be tried'],
  ['of lines that say nothing', ['7\n'], 200, 'the rules could not be tried'],
  ['that ends too soon', ['{"done":0.5}\n'], 200, 'a rehearsal ended without an answer'],
])('%s says so', async (_name, chunks, status, message) => {
  answerWith(chunks, status);
  await expect(rehearsed()).rejects.toThrow(message);
});
