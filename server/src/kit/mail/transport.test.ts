import { WatchedMail } from './transport';

const fails = (error: object) => ({ sendMail: () => Promise.reject(error) });
const failure = (message: string, code = 'ESOCKET') => Object.assign(new Error(message), { code });

it.each([
  ['a certificate of its own', failure('self-signed certificate'), /NODE_EXTRA_CA_CERTS/],
  [
    'a certificate of another',
    failure("Hostname/IP does not match certificate's altnames"),
    /SMTP_URL the name/,
  ],
  ['a password that is wrong', failure('Invalid login: 535', 'EAUTH'), /user or the password/],
  ['TLS where there is none', failure('ssl3_get_record:wrong version number'), /smtps:\/\/ is for/],
  ['nobody there', failure('connect ECONNREFUSED', 'ECONNECTION'), /is it there/],
])('of %s it says what to do, once', async (_what, error, words) => {
  const said: string[] = [];
  const mail = new WatchedMail(fails(error), (what) => said.push(what));
  await expect(mail.sendMail({})).rejects.toBe(error);
  await expect(mail.sendMail({})).rejects.toBe(error);
  expect(said).toEqual([expect.stringMatching(words)]);
  expect(mail.failingSince).not.toBeNull();
});

it('says when it is well again, and nothing of one receiver whom it refuses', async () => {
  const said: string[] = [];
  const answers: (object | null)[] = [failure('away'), failure('550 no such user', 'EENVELOPE'), null];
  const carrier = {
    sendMail: async () => {
      const error = answers.shift();
      if (error) throw error;
    },
  };
  const mail = new WatchedMail(carrier, (what) => said.push(what));
  await mail.sendMail({}).catch(() => undefined);
  await mail.sendMail({}).catch(() => undefined);
  expect(mail.failingSince).toBeNull();
  await mail.sendMail({});
  expect(said).toEqual([expect.stringMatching(/takes no mail/), 'the mail server takes mail again']);
});
