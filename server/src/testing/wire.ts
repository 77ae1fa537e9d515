import { once } from 'node:events';
import { createServer, Socket, type Server } from 'node:net';

/** How a wire is: as it should be, silent in both directions, refusing whoever calls, or full. */
export type WireState = 'good' | 'mute' | 'cut' | 'full';

const letterE = 0x45;
const field = (letter: string, text: string): Buffer => Buffer.from(`${letter}${text}\0`);

/** What PostgreSQL says to one caller too many. */
function tooMany(): Buffer {
  const said = [
    field('S', 'FATAL'),
    field('V', 'FATAL'),
    field('C', '53300'),
    field('M', 'too many clients already'),
  ];
  const body = Buffer.concat([...said, Buffer.from([0])]);
  const head = Buffer.alloc(5);
  head.writeUInt8(letterE, 0);
  head.writeUInt32BE(body.length + 4, 1);
  return Buffer.concat([head, body]);
}

/** A wire between a program and PostgreSQL, on which all can go wrong that does on a real one. */
export class Wire {
  private state: WireState = 'good';
  private readonly ends = new Set<Socket>();

  private constructor(
    private readonly server: Server,
    private readonly to: { readonly host: string; readonly port: number },
    /** The database's address by this wire. */
    readonly url: string,
  ) {
    server.on('connection', (near) => this.answer(near));
  }

  /** Lays one to a database. */
  static async to(databaseUrl: string): Promise<Wire> {
    const url = new URL(databaseUrl);
    const to = { host: url.hostname, port: Number(url.port) };
    const server = createServer({ pauseOnConnect: false }).listen(0, '127.0.0.1');
    await once(server, 'listening');
    const address = server.address();
    url.port = String(typeof address === 'object' && address ? address.port : 0);
    url.hostname = '127.0.0.1';
    return new Wire(server, to, url.toString());
  }

  private answer(near: Socket): void {
    this.keep(near);
    if (this.state === 'cut') return void near.destroy();
    if (this.state === 'full') return void near.once('data', () => near.end(tooMany()));
    const far = this.keep(new Socket()).connect(this.to);
    const pass = (from: Socket, into: Socket) => {
      from.on('data', (bytes) => {
        if (this.state !== 'mute') into.write(bytes);
      });
      from.on('close', () => into.destroy());
    };
    pass(near, far);
    pass(far, near);
  }

  private keep(end: Socket): Socket {
    this.ends.add(end);
    return end.on('error', () => undefined).on('close', () => this.ends.delete(end));
  }

  private hangUp(): void {
    for (const end of this.ends) end.destroy();
  }

  /** What was said on a mute wire is lost: it is good again for who calls anew. */
  become(state: WireState): void {
    if (state === 'cut' || (state === 'good' && this.state === 'mute')) this.hangUp();
    this.state = state;
  }

  close(): void {
    this.hangUp();
    this.server.close();
  }
}
