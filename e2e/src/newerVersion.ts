import { createServer, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';

/** Cadro as it is, at an address of its own, where a newer version of the app can come. */
export interface Deployed {
  readonly url: string;
  /** From now on what runs beside the pages is another one. */
  renew(): void;
  end(): Promise<void>;
}

const listening = (server: Server): Promise<AddressInfo> =>
  new Promise((done) => server.listen(0, '127.0.0.1', () => done(server.address() as AddressInfo)));

/** Stands before a running Cadro, and hands on what is asked. @param behind its address */
export async function deploy(behind: string): Promise<Deployed> {
  let version = 1;
  const server = createServer((asked, answer) => {
    const offline = asked.url === '/offline.js';
    const headers = {
      ...asked.headers,
      ...(asked.headers.origin ? { origin: behind } : {}),
      ...(offline ? { 'accept-encoding': 'identity', 'if-none-match': '', 'if-modified-since': '' } : {}),
    };
    const handed = request(new URL(asked.url ?? '/', behind), { method: asked.method, headers }, (given) => {
      const { 'content-length': _length, ...others } = given.headers;
      answer.writeHead(given.statusCode ?? 502, offline ? others : given.headers);
      given.on('end', () => answer.end(offline ? `\n// version ${version}\n` : undefined));
      given.pipe(answer, { end: false });
    });
    handed.on('error', () => answer.destroy());
    answer.on('close', () => handed.destroy());
    asked.pipe(handed);
  });
  const { port } = await listening(server);
  return {
    url: `http://127.0.0.1:${port}`,
    renew: () => void (version += 1),
    end: () =>
      new Promise((done) => {
        server.close(() => done());
        server.closeAllConnections();
      }),
  };
}
