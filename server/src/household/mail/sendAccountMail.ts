import { accountLetter } from '@cadro/core';
import {
  type MailCarrier,
  link,
  mailOf,
  mailToken,
  ofAMachine,
  paragraph,
  refusedReceiver,
  small,
  title,
  unseal,
  type ServerDeps,
} from '../../kit';
import { mailWentOut, waitingMail, type AccountMailRow } from './accountMailStore';
import { keepProof, type ProofPurpose } from './proofStore';

type Deps = Pick<ServerDeps, 'db' | 'clock' | 'config'> & { readonly transport: MailCarrier };

const purposes: Partial<Record<AccountMailRow['kind'], ProofPurpose>> = {
  confirm: 'confirm',
  password: 'password',
  'change-from': 'change-from',
  'change-to': 'change-to',
};

/** The secret that a mail carries; null for one that carries none. */
async function secretOf({ db, clock, config }: Deps, mail: AccountMailRow): Promise<string | null> {
  const purpose = purposes[mail.kind];
  const token = mailToken(config.secret, mail.id);
  if (purpose && mail.guardian_id) {
    const now = await clock.now();
    // Either side of a change says yes to the one address it was asked about.
    const address = purpose === 'change-from' ? (mail.params['address'] ?? '') : mail.address;
    await keepProof(db, token, { guardianId: mail.guardian_id, purpose, address, now });
    return token;
  }
  if (mail.kind === 'arrival') return token;
  const sealed = mail.params['code'];
  return mail.kind.endsWith('invitation') && sealed ? unseal(config.secret, sealed) : null;
}

/**
 * Sends one mail about an account. A second try after a crash is, to its receiver, the same mail by its Message-ID
 * and by the secret in it. Throws when the mail server does, and the queue tries again.
 */
export async function sendAccountMail(deps: Deps, mailId: string): Promise<void> {
  const { db, clock, config, transport } = deps;
  const mail = await waitingMail(db, mailId);
  if (!mail) return;
  const { subject, paragraphs, action, foot } = accountLetter(mail.language, {
    kind: mail.kind,
    params: mail.params,
  });
  const secret = await secretOf(deps, mail);
  const href = action && `${config.publicUrl}${action.path}${secret === null ? '' : `#${secret}`}`;
  const parts = [
    title(subject),
    ...paragraphs.map(paragraph),
    ...(action && href ? [link(action.words, href)] : []),
    ...(mail.kind.endsWith('invitation') && secret ? [paragraph(secret)] : []),
    ...foot.map(small),
  ];
  try {
    await transport.sendMail({
      messageId: `<${mail.id}@${config.mailDomain}>`,
      from: { name: 'Cadro', address: `cadro@${config.mailDomain}` },
      to: mail.address,
      subject,
      headers: ofAMachine,
      ...mailOf(parts, mail.language),
    });
  } catch (error) {
    if (!refusedReceiver(error)) throw error;
    return mailWentOut(db, mailId, 'refused', await clock.now());
  }
  await mailWentOut(db, mailId, 'sent', await clock.now());
}
