import { ConfigError } from './config';
import { DatabaseTooNew, SessionsNotKept } from './db';

/** SQLSTATE or system code of a database that cannot be used, and what to do about it. */
const databaseFaults: Readonly<Record<string, string>> = {
  ECONNREFUSED: 'nothing listens at its address: start PostgreSQL, or correct the host and port',
  ENOTFOUND: 'its host is not known: correct it',
  ETIMEDOUT: 'its host does not answer',
  ECONNRESET: 'the connection was broken off: is PostgreSQL still starting?',
  '28P01': 'the password is refused: correct it',
  '28000': 'the user is refused: correct it',
  '3D000': 'there is no such database: create it first',
  '57P03': 'PostgreSQL is still starting: try again',
  '42P01': 'a table is missing: run the migration first',
};

function causeOf(error: unknown): string | null {
  if (error instanceof ConfigError) return error.message;
  if (error instanceof DatabaseTooNew || error instanceof SessionsNotKept)
    return `DATABASE_URL: ${error.message}`;
  const code = error instanceof Error && 'code' in error ? String(error.code) : '';
  const fault = databaseFaults[code];
  return fault ? `DATABASE_URL: ${fault} (${code})` : null;
}

/** Runs a program to its end; what the environment has wrong is told in one line that names it. */
export function start(main: () => void | Promise<void>): void {
  void (async () => main())().catch((error: unknown) => {
    console.error(causeOf(error) ?? error);
    process.exit(1);
  });
}
