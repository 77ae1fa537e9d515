import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import express from 'express';
import { openPlace, type Place, type PlaceOptions } from './place';

/*
 * Hosts any number of simulated school sets in one process, so that a test does not wait for a process to start. A client
 * opens a set with `POST /places` and closes it with `DELETE /places/PORT`. The host prints `listening on PORT` and ends
 * when its standard input closes, so that it never outlives the program that started it.
 */
const places = new Map<number, Place>();
const app = express();
app.use(express.json());
app.post('/places', async (request, response) => {
  // Only the test runner's own programs reach this loopback port.
  const options = request.body as Pick<PlaceOptions, 'inbound' | 'textKey' | 'stateFile'>;
  const place = await openPlace({ ...options, port: 0, smtpPort: 0 });
  places.set(place.port, place);
  response.status(201).json({ port: place.port, smtpPort: place.smtpPort });
});
app.delete('/places/:port', async (request, response) => {
  const port = Number(request.params.port);
  await places.get(port)?.close();
  places.delete(port);
  response.status(204).end();
});

const server = createServer(app).listen(0, '127.0.0.1', () => {
  const { port } = server.address() as AddressInfo; // a TCP port has this form
  console.log(`listening on ${port}`);
});
// Longer than a client keeps an idle connection, so that no request meets one that is just closing.
server.keepAliveTimeout = 65_000;
process.stdin.resume().once('close', () => process.exit(0));
