import { createServer, type Server } from 'node:http';
import { collectDefaultMetrics, Registry } from 'prom-client';

/** Figures of this process: the loop's delay, memory, collections of garbage. */
export function processFigures(): Registry {
  const registry = new Registry();
  collectDefaultMetrics({ register: registry, prefix: 'cadro_' });
  return registry;
}

/** What a process counts, as the text that Prometheus reads. */
export interface Figures {
  readonly registry: Registry;
  text(): Promise<string>;
}

/** Lets figures be read, at a port of their own that no family ever reaches. */
export async function serveFigures(
  figures: Figures,
  { host, port }: { host: string; port: number },
): Promise<Server> {
  const server = createServer((request, response) => {
    if (request.url !== '/metrics' || request.method !== 'GET') return void response.writeHead(404).end();
    figures.text().then(
      (text) => response.writeHead(200, { 'content-type': figures.registry.contentType }).end(text),
      () => response.writeHead(503).end(),
    );
  });
  await new Promise<void>((done, fail) => server.once('error', fail).listen(port, host, done));
  return server;
}
