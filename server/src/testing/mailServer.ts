import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { chmodSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createConnection } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';

/**
 * A mail server as Debian has it, with a certificate that it has signed itself. It takes mail for anybody, and has never
 * heard of `gone@`, has no room for `full@`, lets `grey@` wait until it knows the sender, and finds out only later that
 * nobody of `remote.example` is there.
 */
export class MailServer {
  private constructor(
    private readonly folder: string,
    private readonly server: ChildProcess,
    readonly port: number,
  ) {}

  /** Who trusts this file trusts the server. */
  get certificate(): string {
    return join(this.folder, 'cert.pem');
  }

  static async start(): Promise<MailServer> {
    const folder = mkdtempSync(join(tmpdir(), 'cadro-mail-'));
    for (const name of ['spool', 'box', 'box/new', 'box/cur', 'box/tmp']) mkdirSync(join(folder, name));
    execFileSync(
      'openssl',
      [
        ...['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', '-subj', '/CN=localhost'],
        ...['-addext', 'subjectAltName=IP:127.0.0.1'],
        ...['-keyout', join(folder, 'key.pem'), '-out', join(folder, 'cert.pem')],
      ],
      { stdio: 'ignore' },
    );
    // Whoever delivers is nobody in particular, and reads this; the program itself reads its settings.
    execFileSync('chown', ['-R', 'Debian-exim', folder]);
    chmodSync(folder, 0o755);
    for (let tries = 0; tries < 20; tries++) {
      const port = 20_000 + ((process.pid * 53 + tries * 907) % 20_000);
      writeFileSync(join(folder, 'exim.conf'), settings(folder, port), { mode: 0o644 });
      const server = spawn('/usr/sbin/exim4', ['-bdf', '-C', join(folder, 'exim.conf')], { stdio: 'ignore' });
      if (await listens(server, port)) return new MailServer(folder, server, port);
      server.kill();
    }
    throw new Error('the mail server did not start');
  }

  /** From now on it knows who sends to `grey@`. */
  knowSender(): void {
    writeFileSync(join(this.folder, 'known'), '');
  }

  /** The first mail of which something is true, as it was brought; waits until it is. */
  async brought(says: RegExp): Promise<string> {
    for (let asked = 0; asked < 600; asked++) {
      const found = this.all.find((mail) => says.test(mail));
      if (found) return found;
      await wait(50);
    }
    throw new Error(`${String(says)} did not come: ${readFileSync(join(this.folder, 'mainlog'), 'utf8')}`);
  }

  /** Every mail that it has brought so far. */
  get all(): string[] {
    const box = join(this.folder, 'box', 'new');
    return readdirSync(box).map((name) => readFileSync(join(box, name), 'utf8'));
  }

  async stop(): Promise<void> {
    const ended = once(this.server, 'exit');
    this.server.kill();
    await ended;
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** Whether it listens, or has ended because somebody else does. */
async function listens(server: ChildProcess, port: number): Promise<boolean> {
  const ended = once(server, 'exit').then(() => 'ended');
  for (let asked = 0; asked < 200; asked++) {
    const socket = createConnection(port, '127.0.0.1');
    const said = await Promise.race([
      ended,
      once(socket, 'data').then(
        () => 'greeted',
        () => 'refused',
      ),
    ]);
    socket.destroy();
    if (said !== 'refused') return said === 'greeted';
    await wait(50);
  }
  return false;
}

const settings = (folder: string, port: number): string => `
primary_hostname = mx.skerry.example
spool_directory = ${folder}/spool
log_file_path = ${folder}/%slog
pid_file_path = ${folder}/pid
local_interfaces = 127.0.0.1
daemon_smtp_ports = ${port} : ${port + 1}
tls_advertise_hosts = *
tls_certificate = ${folder}/cert.pem
tls_privatekey = ${folder}/key.pem
acl_smtp_rcpt = rcpt
deliver_drop_privilege
host_lookup =
rfc1413_query_timeout = 0s
keep_environment =
begin acl
rcpt:
  deny local_parts = gone
    message = 550 5.1.1 no such user
  deny local_parts = full
    message = 552 5.2.2 the mailbox is full
  defer local_parts = grey
    condition = \${if exists{${folder}/known}{no}{yes}}
    message = 451 4.7.1 greylisted, try again
  deny domains = remote.example
    condition = \${if eq{$received_port}{${port + 1}}}
    message = 550 5.1.1 no such user
  accept
begin routers
remote:
  driver = manualroute
  domains = remote.example
  transport = remote
  route_list = * 127.0.0.1
  self = send
here:
  driver = accept
  transport = box
begin transports
remote:
  driver = smtp
  port = ${port + 1}
  allow_localhost
box:
  driver = appendfile
  directory = ${folder}/box
  maildir_format
`;
