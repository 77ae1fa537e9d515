import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { once } from 'node:events';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { delayAnswers } from './delayAnswers.mjs';
import { forgetAll, putDown } from './leftBehind.mjs';
import { freePort } from './postgres.mjs';
import { countChild, openLog, root, run, signalGroup, StepError } from './steps.mjs';

const startTimeoutMs = 240_000;
const stopTimeoutMs = 6_000;
const answerTimeoutMs = 10_000;

/** The keys that Cadro and the simulated schools share, and where a teacher's answer is delivered. */
function sharedWithSchools({ secret, ports }) {
  return {
    // Letters and digits alone: a header loses blanks at its ends.
    textKey: createHash('sha256').update(`texts:${secret}`).digest('hex').slice(0, 32),
    inbound: {
      url: `http://127.0.0.1:${ports.public}/api/inbound-mail`,
      key: `inbound-${secret.slice(0, 16)}`,
    },
  };
}

/** The environment of Cadro's processes and of the stand-ins, from the addresses of one stack. */
function environment({ databaseUrl, ports, secret, buildDir, schoolState, demo = true, letterHold = 0 }) {
  const { textKey, inbound } = sharedWithSchools({ secret, ports });
  return {
    NODE_ENV: 'production',
    DATABASE_URL: databaseUrl,
    CADRO_PORT: String(ports.server),
    CADRO_PUBLIC_URL: `http://127.0.0.1:${ports.public}`,
    CADRO_SECRET: secret,
    CADRO_APP_DIR: join(buildDir, 'app'),
    CADRO_INBOUND_MAIL_KEY: inbound.key,
    CADRO_MAIL_VERDICT_HOST: 'mx.mail.cadro.example',
    CADRO_LETTER_HOLD_SECONDS: String(letterHold),
    // The simulated schools are on this machine.
    CADRO_PRIVATE_SOURCES: 'on',
    ...(demo ? { CADRO_DEMO_SCHOOL_URL: `http://127.0.0.1:${ports.school}` } : { CADRO_OPERATOR_PAGE: 'on' }),
    TEXT_GATEWAY_URL: `http://127.0.0.1:${ports.school}/texts`,
    TEXT_GATEWAY_KEY: textKey,
    SCHOOL_TEXT_KEY: textKey,
    SMTP_URL: `smtp://127.0.0.1:${ports.smtp}`,
    SCHOOL_PORT: String(ports.school),
    SCHOOL_SMTP_PORT: String(ports.smtp),
    SCHOOL_STATE_FILE: schoolState,
    SCHOOL_INBOUND_MAIL_URL: inbound.url,
    SCHOOL_INBOUND_MAIL_KEY: inbound.key,
  };
}

/** The processes of one stack: each in a group of its own, so that a stop reaches all it started. */
class Stack {
  #children = [];
  #tellLost = () => {};
  #whenStopped = [];

  /**
   * @param buildDir the build whose programs are run: the very one that is shipped.
   * @param processes the file in which they are put down, for a start after this one was killed; or nothing.
   */
  constructor(env, logFolder, buildDir, processes) {
    this.processes = processes;
    this.env = env;
    this.buildDir = buildDir;
    this.logFolder = logFolder;
  }

  /** Starts a process and waits until `ready` holds. A process that ends by itself ends the wait. */
  async start(name, program, ready) {
    const log = openLog(join(this.logFolder, `${name}.log`));
    const child = spawn(process.execPath, ['--enable-source-maps', join(this.buildDir, program)], {
      cwd: root,
      env: { ...process.env, ...this.env },
      detached: true,
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    countChild(child);
    if (this.processes) putDown(this.processes, child.pid, join(this.buildDir, program));
    let output = '';
    let up = false;
    const take = (chunk) => {
      // Until it is up nothing is forgotten: what it says of that stands among whatever it is asked meanwhile.
      output = up ? '' : output + chunk;
      log.write(chunk);
    };
    child.stdout.on('data', take);
    child.stderr.on('data', take);
    const record = { name, child, ended: false, killed: false };
    child.once('exit', () => {
      record.ended = true;
      if (!this.stopping && !record.killed) this.#tellLost(name);
    });
    this.#children.push(record);
    for (let waited = 0; waited < startTimeoutMs; waited += 50) {
      if (record.ended) throw new StepError(`${name} ended while starting:\n${output.slice(-4000)}`);
      up = await ready(output).catch(() => false);
      if (up) return;
      await wait(50);
    }
    throw new StepError(`${name} was not ready in ${startTimeoutMs / 1000} s:\n${output.slice(-4000)}`);
  }

  startSchool() {
    return this.start('school', 'school/main.cjs', listens);
  }

  startServer() {
    const ready = `${this.env.CADRO_PUBLIC_URL}/readyz?for=requests`;
    return this.start(
      'server',
      'server/server.cjs',
      async (output) => (await listens(output)) && answers(ready),
    );
  }

  startWorker() {
    return this.start('worker', 'server/worker.cjs', async (output) => output.includes('working'));
  }

  /** Runs one of the server's commands to its end. */
  command(name, onLine) {
    const program = join(this.buildDir, 'server', `${name}.cjs`);
    return run(process.execPath, ['--enable-source-maps', program], { env: this.env, onLine });
  }

  /** Tells when a process ends that nobody stopped or killed. */
  onLost(tell) {
    this.#tellLost = tell;
  }

  /** Ends a process as a machine that fails does: at once, without a word to it. */
  async kill(name) {
    const record = this.#children.findLast((each) => each.name === name && !each.ended);
    if (!record) return;
    record.killed = true;
    const gone = once(record.child, 'exit');
    signalGroup(record.child, 'SIGKILL');
    await gone;
    this.#children = this.#children.filter((each) => each !== record);
  }

  /** Does something more when the stack is stopped. */
  onStop(work) {
    this.#whenStopped.push(work);
  }

  async stop() {
    this.stopping = true;
    for (const { child, ended } of this.#children) if (!ended) signalGroup(child, 'SIGTERM');
    for (let waited = 0; waited < stopTimeoutMs && this.#children.some(({ ended }) => !ended); waited += 50)
      await wait(50);
    for (const { child, ended } of this.#children) if (!ended) signalGroup(child, 'SIGKILL');
    for (const work of this.#whenStopped) await work();
    if (this.processes) forgetAll(this.processes);
  }
}

const mostTries = 5;

/** Opens schools of a stack's own in the process that hosts those of all tests. @returns their ports, and how they close. */
async function openHostedSchools(host, options) {
  const answer = await fetch(`${host}/places`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(options),
  });
  const { port, smtpPort } = await answer.json();
  const close = async () => void (await fetch(`${host}/places/${port}`, { method: 'DELETE' }));
  return { ports: { school: port, smtp: smtpPort }, close };
}

/**
 * Starts a stack at ports of its own. A port that was free when it was looked up may be taken by now: then others are
 * tried.
 * @param {{ databaseUrl: string; secret: string; buildDir: string; schoolState: string; logs: string; port?: number; demo?: boolean; letterHold?: number; processes?: string; schoolHost?: string; delaySeed?: number }} given
 *   what it works on, the folder of its logs, the server's port where it matters, whether time is the story's, the address
 *   of a host of simulated schools (else `startSchool` starts a process of their own), and the seed of random delays
 *   of every answer (else there are none).
 * @param {(stack: Stack) => Promise<void>} begin starts of it what is wanted; where that fails, all of it is stopped.
 */
export async function startStack({ port, logs, processes, schoolHost, delaySeed, ...given }, begin) {
  for (let tries = 1; ; tries += 1) {
    const server = port ?? (await freePort());
    const ports = { server, public: delaySeed === undefined ? server : await freePort() };
    const hosted =
      schoolHost &&
      (await openHostedSchools(schoolHost, {
        ...sharedWithSchools({ secret: given.secret, ports }),
        stateFile: given.schoolState,
      }));
    Object.assign(ports, hosted?.ports ?? { school: await freePort(), smtp: await freePort() });
    const stack = new Stack(environment({ ...given, ports }), logs, given.buildDir, processes);
    if (hosted) stack.onStop(hosted.close);
    try {
      if (delaySeed !== undefined) stack.onStop(await delayAnswers({ ...ports, seed: delaySeed }));
      await begin(stack);
      return stack;
    } catch (error) {
      await stack.stop();
      if (tries === mostTries || !String(error.message).includes('EADDRINUSE')) throw error;
    }
  }
}

/** By its own word: at a port that another has taken, the other would answer. */
const listens = async (output) => output.includes('listening');
const answers = async (url) => (await fetch(url, { signal: AbortSignal.timeout(answerTimeoutMs) })).ok;
