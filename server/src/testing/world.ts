import type { Role } from '@cadro/contract';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { createServer, type Server as HttpServer } from 'node:http';
import { createTransport } from 'nodemailer';
import pino from 'pino';
import request, { type Agent, type Test } from 'supertest';
import { computeFigures } from '../gradebook';
import { addHousehold, putLink } from '../household';
import {
  demoClock,
  openDatabase,
  seal,
  setDemoClock,
  systemClock,
  untilIdle,
  type Clock,
  type Config,
  type Db,
} from '../kit';
import { buildServer, type Server } from '../main/app';
import { onFigures, readingHooks } from '../main/hooks';
import { startWorker } from '../main/jobs';
import { addSource, moveSource, syncSource } from '../sources';
import { createDatabase, dropDatabase, emptyTemplate, freshName, readTemplates } from './databases';
import { startSchool, type SchoolProcess } from './school';
import { Wire, type WireState } from './wire';
import { worldConfig } from './worldConfig';

export const password = 'a password for tests';
/** Its hash at the least cost there is, so that the many who sign in take no time; what a real hash costs has its own test. */
const passwordHash =
  '$argon2id$v=19$m=8,t=1,p=1$hAaeQLXEdF+0YG9BlqK6Pw$NFcG//UhdMDkb7Uaz9C+b/FJzteaEqNV9rOewXkMmvc';

/** `name=value` of the session that an answer has set. */
export const sessionCookieOf = ({ headers }: { headers: Record<string, unknown> }): string =>
  /cadro\.session=[^;]*/.exec(String(headers['set-cookie']))?.[0] ?? '';

/** `name=value` of the session in which an agent is signed in. */
export const cookieOf = ({ jar }: Agent): string => {
  const anywhere = { domain: '127.0.0.1', path: '/', secure: false, script: false };
  return jar.getCookie('cadro.session', anywhere)?.toValueString() ?? '';
};

/** Every write of an agent carries a key of its own, as the app's do. */
const writingOnce = (agent: Agent): Agent =>
  agent.use((asked: Test) => {
    if (asked.method !== 'GET' && !asked.get('idempotency-key'))
      asked.set('idempotency-key', `"${randomUUID()}"`);
  });

export interface Mail {
  readonly channel: string;
  readonly to: string;
  readonly subject: string;
  readonly text: string;
  /** What came for a calendar; empty for nothing. */
  readonly calendar: string;
}

/** A server on a database of its own, with the three schools read at the story's opening. */
export class World {
  readonly sources = new Map<string, string>();
  readonly students = new Map<string, string>();
  private counted = false;

  private constructor(
    readonly db: Db,
    readonly clock: Clock,
    readonly config: Config,
    readonly school: SchoolProcess,
    readonly server: Server,
    private readonly http: HttpServer,
    private readonly database: string,
    /** The wall's clock stands still: no step of a one-time code ends between two statements. */
    readonly wallAt: Date,
    private readonly wire: Wire | null,
  ) {}

  /** A server whose sources are known and have not been read. */
  static async start(database = freshName()): Promise<World> {
    const world = await World.on(database, emptyTemplate);
    await world.addSources();
    return world;
  }

  /** A server that has read every school up to the story's opening, and worked its queue off. */
  static async read(
    how: keyof typeof readTemplates = 'once',
    ask: { readonly wired?: boolean; readonly config?: Partial<Config> } = {},
  ): Promise<World> {
    const world = await World.on(freshName(), readTemplates[how], ask);
    await world.addSources();
    await world.learnStudents();
    return world;
  }

  private static async on(
    database: string,
    template: string,
    { wired = false, config: otherwise = {} }: { wired?: boolean; config?: Partial<Config> } = {},
  ): Promise<World> {
    const direct = await createDatabase(database, template);
    const wire = wired ? await Wire.to(direct) : null;
    const url = wire?.url ?? direct;
    // Teachers' answers, returned mail and calendar programs come in over real HTTP.
    const http = createServer().listen(0, '127.0.0.1');
    await once(http, 'listening');
    const address = http.address();
    const port = typeof address === 'object' && address ? address.port : 0;
    const inboundMailKey = 'the key of the provider';
    const inbound = { url: `http://127.0.0.1:${port}/api/inbound-mail`, key: inboundMailKey };
    const school = await startSchool(inbound).catch(async (error: unknown) => {
      http.close();
      await dropDatabase(database);
      throw error;
    });
    const config = { ...worldConfig({ url, port, inboundMailKey, school }), ...otherwise };
    const db = openDatabase(url, { poolSize: 6 });
    const clock = demoClock(db);
    const wallAt = await systemClock.now();
    const server = buildServer({
      ...{ db, clock, config, log: pino({ level: 'silent' }) },
      wall: { now: async () => wallAt },
      // A machine that is busy elsewhere says nothing for a while; who tries patience has a wire.
      ...(wired ? {} : { databaseAnswersMs: 15_000 }),
    });
    http.on('request', server.app);
    return new World(db, clock, config, school, server, http, database, wallAt, wire);
  }

  private async addSources(): Promise<void> {
    const story = await this.school.controls.story();
    for (const { name, baseUrl, clientId, clientSecret } of story.sources) {
      // The schools listen elsewhere at each start; where they have been read, their sources are known by who asks.
      await moveSource(this.db, clientId, baseUrl);
      const sealedSecret = seal(this.config.secret, clientSecret);
      this.sources.set(
        baseUrl.split('/').pop() ?? '',
        await addSource(this.db, { name, baseUrl, clientId, sealedSecret }),
      );
    }
    await this.moveTo(story.opensAt);
  }

  async moveTo(instant: string): Promise<void> {
    await setDemoClock(this.db, new Date(instant));
    await this.school.controls.moveTo(new Date(instant));
  }

  sync(school: string, more: Partial<Config> = {}) {
    const id = this.sources.get(school);
    if (!id) throw new Error(`no source ${school}`);
    const { db, clock } = this;
    const config = { ...this.config, ...more };
    return syncSource({ db, clock, config, reading: readingHooks }, id);
  }

  /** Reads every school and works the queue off. */
  async syncAll(): Promise<void> {
    for (const school of this.sources.keys()) await this.sync(school);
    await this.workOff();
    // PostgreSQL plans badly for what it takes for empty, and it looks by itself once a minute only.
    if (!this.counted) await this.db.raw('analyze');
    this.counted = true;
    await this.learnStudents();
  }

  /** Their ids here, by the source's own. */
  async learnStudents(): Promise<void> {
    const rows = await this.db('students').select<{ id: string; external_id: string }[]>('id', 'external_id');
    for (const { id, external_id } of rows) this.students.set(external_id, id);
  }

  /** Computes children's figures at once, with all that follows in their transaction. */
  compute(...studentIds: readonly string[]): Promise<void> {
    return computeFigures({ db: this.db, clock: this.clock, onFigures }, studentIds);
  }

  /** Lets the job worker do everything that waits. */
  async workOff(): Promise<void> {
    const runner = await this.startWorker({ byTheClock: false });
    const idle = await untilIdle(this.db, 60_000);
    await runner.stop();
    if (!idle) throw new Error('the queue did not run empty');
  }

  startWorker(how: { byTheClock?: boolean } = {}) {
    const { db, clock, config } = this;
    const transport = createTransport(config.smtpUrl);
    return startWorker({ db, clock, config, transport }, pino({ level: 'silent' }), how);
  }

  /** What happens on the way to the database from now on. */
  wireIs(state: WireState): void {
    if (!this.wire) throw new Error('this world has no wire');
    this.wire.become(state);
  }

  student(externalId: string): string {
    const id = this.students.get(externalId);
    if (!id) throw new Error(`no student ${externalId}`);
    return id;
  }

  /** A household with one member for each name; links are by the students' external ids. */
  async household(
    name: string,
    members: readonly {
      name: string;
      role?: Role;
      children: readonly string[];
      ended?: boolean;
    }[],
  ): Promise<void> {
    const ids = await addHousehold(
      this.db,
      name,
      members.map((member) => ({
        name: member.name,
        given_name: member.name,
        email: `${member.name}@test.example`,
        password_hash: passwordHash,
        language: 'en' as const,
        confirmed_at: new Date(0),
      })),
    );
    const now = await this.clock.now();
    for (const [index, { children, role = 'guardian', ended }] of members.entries()) {
      for (const child of children) {
        const link = { studentId: this.student(child), guardianId: ids[index] ?? '', role, now };
        await putLink(this.db, link);
        if (ended)
          await this.db('guardian_links')
            .where({ student_id: link.studentId, guardian_id: link.guardianId })
            .update({ ended_at: now });
      }
    }
  }

  /** What has arrived in somebody's mailbox, once everything that waits has gone out. */
  async mailsTo(address: string): Promise<Mail[]> {
    await this.workOff();
    const { arrivals } = (await (await fetch(`${this.school.url}/demo/arrivals`)).json()) as {
      arrivals: Mail[];
    };
    return arrivals.filter(({ to }) => to === address);
  }

  /** The last of somebody's mails with such a subject: those of one moment come in any order. */
  async mailTo(address: string, subject: RegExp): Promise<Mail | undefined> {
    return (await this.mailsTo(address)).filter((mail) => subject.test(mail.subject)).at(-1);
  }

  /** Every number that somebody has typed has been shown to be theirs. */
  async phonesConfirmed(): Promise<void> {
    await this.db('alert_settings').update({ phone_confirmed: this.db.raw(`delivery->>'phone'`) });
  }

  /** The id of somebody of a household, by the name they were given. */
  async personId(name: string): Promise<string> {
    const row = await this.db('guardians')
      .where({ email: `${name}@test.example` })
      .first<{ id: string }>('id');
    return row.id;
  }

  get nobody(): Agent {
    return writingOnce(request.agent(this.server.app));
  }

  async signedIn(name: string): Promise<Agent> {
    const agent = this.nobody;
    await agent
      .post('/api/session')
      .send({ email: `${name}@test.example`, password })
      .expect(200);
    return agent;
  }

  async itemId(externalId: string, school: string): Promise<string> {
    const row = await this.db('items')
      .where({ external_id: externalId, source_id: this.sources.get(school) })
      .first<{ id: string }>('id');
    return row.id;
  }

  async courseId(externalId: string, school: string): Promise<string> {
    const row = await this.db('courses')
      .where({ external_id: externalId, source_id: this.sources.get(school) })
      .first<{ id: string }>('id');
    return row.id;
  }

  async stop(): Promise<void> {
    await this.leave();
    await dropDatabase(this.database);
  }

  /** Ends everything, and leaves the database where it is. */
  async leave(): Promise<void> {
    await this.school.stop();
    this.http.closeAllConnections();
    this.http.close();
    await this.server.close();
    await this.db.destroy();
    this.wire?.close();
  }
}
