import { openPlace } from './place';

const need = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set`);
  return value;
};

/** Opens one set of simulated schools where and with what the environment says, until a signal ends it. */
async function main(): Promise<void> {
  const { close } = await openPlace({
    inbound: { url: need('SCHOOL_INBOUND_MAIL_URL'), key: need('SCHOOL_INBOUND_MAIL_KEY') },
    textKey: need('SCHOOL_TEXT_KEY'),
    stateFile: process.env['SCHOOL_STATE_FILE'] ?? null,
    port: Number(need('SCHOOL_PORT')),
    smtpPort: Number(need('SCHOOL_SMTP_PORT')),
  });
  const stop = (): void => void close().then(() => process.exit(0));
  process.once('SIGTERM', stop).once('SIGINT', stop);
  console.log('listening');
}

void main();
