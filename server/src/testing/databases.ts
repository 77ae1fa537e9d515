import { randomBytes } from 'node:crypto';
import { openDatabase, type Db } from '../kit';

export const emptyTemplate = 'template_empty';
/** What the schools look like to who reads them for the first time, and to who has read them every evening before. */
export const readTemplates = { once: 'template_read_once', daily: 'template_read_daily' } as const;

const urlOf = (name: string): string => {
  const cluster = process.env['TEST_DATABASE_URL'];
  if (!cluster) throw new Error('TEST_DATABASE_URL is not set: start the server tests through npm test');
  return cluster.replace('%db%', name);
};

async function asAdmin<T>(work: (admin: Db) => Promise<T>): Promise<T> {
  const admin = openDatabase(urlOf('postgres'), { poolSize: 1 });
  try {
    return await work(admin);
  } finally {
    await admin.destroy();
  }
}
export const dropDatabase = (name: string): Promise<void> =>
  asAdmin(async (admin) => void (await admin.raw(`drop database if exists ${name} with (force)`)));

/** A database of the test cluster, as a copy of another, by the cheaper of PostgreSQL's two ways. @returns its address. */
export async function createDatabase(name: string, template: string): Promise<string> {
  await asAdmin((admin) => admin.raw(`create database ${name} template ${template} strategy file_copy`));
  return urlOf(name);
}

export const freshName = (): string => `test_${randomBytes(6).toString('hex')}`;

/** A database without anything in it, not even tables. */
export async function freshDatabase(): Promise<{ url: string; drop: () => Promise<void> }> {
  const name = freshName();
  return { url: await createDatabase(name, 'template1'), drop: () => dropDatabase(name) };
}

/** A database with Cadro's tables and nothing in them. */
export interface Tables {
  readonly url: string;
  readonly db: Db;
  /** Closes it, and it is gone. */
  readonly drop: () => Promise<void>;
}

/** @param poolSize how many at once ask it. */
export async function tablesAlone(poolSize: number): Promise<Tables> {
  const name = freshName();
  const url = await createDatabase(name, emptyTemplate);
  const db = openDatabase(url, { poolSize });
  const drop = async (): Promise<void> => {
    await db.destroy();
    await dropDatabase(name);
  };
  return { url, db, drop };
}
