import { householdRoutes, alertRoutes, noteRoutes, type Me, type NewNote } from '@cadro/contract';
import { quantile } from './measure';

/*
 * How soon what one guardian does stands before the other: a note that is shared is written by Maren, and Tobiah, whose
 * window is open, is told of it and has the notes anew. Against a server and a worker as they run, one note at a time.
 */
const rounds = 120;
const warmUp = 20;
const promisedMs = 1_000;

/** A Cadro that holds the demo: its address, and who is signed in there, from the command that has started it. */
interface Stack {
  readonly url: string;
  readonly maren: string;
  readonly tobiah: string;
}
function stackOf(): Stack {
  const given = process.env['BENCH_STACK'];
  if (!given) throw new Error('BENCH_STACK is not set: start the bench through npm run bench');
  return JSON.parse(given) as Stack;
}

const get = async (url: string, cookie: string): Promise<unknown> =>
  (await fetch(url, { headers: { cookie } })).json();

/** An open window's stream; `next` waits until it tells of a kind that it was not yet asked for. */
async function windowOf(url: string, cookie: string) {
  const ending = new AbortController();
  const { body } = await fetch(`${url}${alertRoutes.live.path}`, {
    headers: { cookie },
    signal: ending.signal,
  });
  if (!body) throw new Error('there is no stream');
  const reader = body.pipeThrough(new TextDecoderStream()).getReader();
  let heard = '';
  const next = async (kind: string): Promise<void> => {
    const line = `event: ${kind}\n`;
    while (!heard.includes(line)) {
      const { done, value } = await reader.read();
      if (done) throw new Error('the stream has ended');
      heard += value;
    }
    heard = heard.slice(heard.indexOf(line) + line.length);
  };
  return { next, close: () => ending.abort() };
}

/** Prints when the write was answered, when the other was told and when the other had it, from the moment it was sent. */
export async function benchLive(): Promise<void> {
  const { url, maren, tobiah } = stackOf();
  const { children, now } = (await get(`${url}${householdRoutes.me.path}`, maren)) as Me;
  const studentId = children[0]?.id ?? '';
  const window = await windowOf(url, tobiah);
  const times = { answered: [] as number[], told: [] as number[], seen: [] as number[] };
  for (let round = 0; round < rounds; round++) {
    const note: NewNote = {
      ...{ studentId, courseId: null, on: now.slice(0, 10), shared: true },
      text: `Bench ${round}`,
    };
    const begun = performance.now();
    const written = fetch(`${url}${noteRoutes.write.path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie: maren },
      body: JSON.stringify(note),
    }).then((answer) => ({ status: answer.status, ms: performance.now() - begun }));
    await window.next('notes');
    const told = performance.now() - begun;
    const seen = JSON.stringify(await get(`${url}${noteRoutes.list.path}`, tobiah));
    const seenMs = performance.now() - begun;
    const answered = await written;
    if (answered.status !== 201 || !seen.includes(note.text)) throw new Error(`round ${round} was not seen`);
    if (round < warmUp) continue;
    times.answered.push(answered.ms);
    times.told.push(told);
    times.seen.push(seenMs);
  }
  window.close();
  console.log(`live: what one guardian writes and the other sees, ${rounds - warmUp} notes, ms from sending`);
  for (const [name, values] of Object.entries(times)) {
    const [middle, late, last] = [0.5, 0.95, 1].map((share) => quantile(values, share).toFixed(0));
    console.log(`${name.padEnd(10)} half within ${middle}, 95 % within ${late}, all within ${last}`);
  }
  const within = times.seen.filter((ms) => ms <= promisedMs).length;
  console.log(`seen within a second: ${within} of ${times.seen.length}`);
}
