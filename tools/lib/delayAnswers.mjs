import { createServer, request } from 'node:http';
import { once } from 'node:events';

const mostDelayMs = 3_000;

/**
 * Delays in the order in which they are drawn, evenly spread from 0 to 3 s. The generator is that of Park and Miller: its
 * draws need no package, since the start command loads this before any is installed.
 */
function* delaysMs(seed) {
  const modulus = 2 ** 31 - 1;
  for (let state = (seed % (modulus - 1)) + 1; ;) {
    state = (state * 48_271) % modulus;
    yield (state / modulus) * mostDelayMs;
  }
}

/**
 * Stands in front of a server and holds every answer of its interface back for a moment, as a slow connection does: what
 * a page shows meanwhile, and what it shows when answers come in another order, is tested with it.
 * @param {{ public: number; server: number; seed: number }} where the port that browsers know, the server's own, and the
 *   seed of the delays.
 * @returns {Promise<() => Promise<void>>} ends it.
 */
export async function delayAnswers({ public: publicPort, server: port, seed }) {
  const delays = delaysMs(seed);
  const proxy = createServer((asked, answering) => {
    const { method, url, headers } = asked;
    const toServer = request({ host: '127.0.0.1', port, method, path: url, headers }, (answer) => {
      const pass = () => {
        answering.writeHead(answer.statusCode, answer.rawHeaders);
        answer.pipe(answering);
      };
      const delayMs = url.startsWith('/api/') ? delays.next().value : 0;
      const held = setTimeout(pass, delayMs);
      answering.once('close', () => clearTimeout(held));
    });
    toServer.on('error', () => answering.destroy());
    answering.once('close', () => toServer.destroy());
    asked.pipe(toServer);
  });
  proxy.keepAliveTimeout = 65_000;
  proxy.listen(publicPort, '127.0.0.1');
  await once(proxy, 'listening');
  return () =>
    new Promise((done) => {
      proxy.close(() => done());
      proxy.closeAllConnections();
    });
}
