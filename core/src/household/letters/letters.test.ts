import { languages, roles } from '@cadro/contract';
import { accountLetter } from '.';
import { accountLetters } from './words';

const params = {
  ...{ name: 'Rosamund', address: 'r@test.example', device: 'Firefox, Linux', inviter: 'Maren Aldervane' },
  ...{ child: 'Caspian', until: '2026-11-20', who: 'Tobiah Aldervane', role: 'look-only' },
};
const cases = languages.flatMap((language) => accountLetters.map((kind) => [language, kind] as const));

describe.each(cases)('a letter about an account, %s: %s', (language, kind) => {
  const { subject, paragraphs, action, foot } = accountLetter(language, { kind, params });
  const all = [subject, ...paragraphs, ...(action ? [action.words] : []), ...foot];

  it('has all its names filled in, and says something', () => {
    expect(subject.length).toBeGreaterThan(10);
    for (const text of all) expect(text).not.toMatch(/[{}]|undefined|!|\s{2}/);
  });

  it('leads to a screen of the app, if it leads anywhere', () => {
    if (action) expect(action.path).toMatch(/^\/[a-z/-]+$/);
  });
});

it.each(roles.map((role) => [role]))('says as what somebody sees a record: %s', (role) => {
  const text = accountLetter('en', { kind: 'notice-link-made', params: { ...params, role } }).paragraphs[0];
  expect(text).toBe(
    `Tobiah Aldervane can see Caspian’s schoolwork now, ${
      {
        guardian: 'as a guardian',
        'look-only': 'looking only',
        helper: 'as a helper',
        student: 'with an account of their own',
      }[role]
    }.`,
  );
});

it('says of a device without a name that it has none', () => {
  const { paragraphs } = accountLetter('en', { kind: 'new-device', params: { device: '' } });
  expect(paragraphs.join()).toMatch(/on a new device: one that doesn’t say its name\.$/);
});

it('names nobody who is not to be named', () => {
  const { paragraphs } = accountLetter('es', { kind: 'notice-link-ended', params: { ...params, who: '' } });
  expect(paragraphs).toEqual([
    'Alguien de fuera de su hogar ya no ve las tareas y calificaciones de Caspian.',
  ]);
});
