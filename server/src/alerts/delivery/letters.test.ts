import { languages, type DigestContent, type Language } from '@cadro/contract';
import { alertLetter, alertText, digestLetter, testLetter } from './letters';
import { guardianOfToken, stopToken } from './mailStop';
import type { KeptAlert } from '../store';

const frame = (language: Language, figuresInSubject = false) => ({
  ...{ language, figuresInSubject, timeZone: 'America/Halifax' },
  publicUrl: 'https://cadro.example',
  stopUrl: 'https://cadro.example/mail-stop/x',
});
const child = { givenName: 'Caspian', timeZone: 'America/Halifax' };
const works = ['Keel <script>alert(1)</script>', 'Ribs & “frames”'].map(
  (title, index): KeptAlert['reasons'][number] => ({
    ...{ id: `loose-end:${index}`, at: '2026-10-15T12:00:00Z', sourceName: 'Millrace' },
    ...{ about: 'work', rule: 'loose-end', outOf: 4, decimals: 1 },
    work: {
      ...{ itemId: `i${index}`, title, kind: 'overdue', was: null, dueAt: '2026-10-13T02:59:00Z' },
      ...{ deadline: '2026-10-28T02:59:00Z', credit: 0.75, impact: 0.8, earned: null, possible: 20 },
    },
  }),
);
const alert: KeptAlert = {
  ...{ id: 'a', guardianId: 'g', key: 'work:s:c', kind: 'work', studentId: 's', courseId: 'c' },
  ...{ courseTitle: 'Boat-building', episode: 1, raisedAt: null, toldAt: null, newsAt: null, overAt: null },
  ...{ reasons: works, known: [], told: ['loose-end:1'], titled: [], state: 'open' },
};
const digest: DigestContent = {
  ...{ fromOn: '2026-10-15', toOn: '2026-10-21', madeAt: '2026-10-21T19:40:00Z' },
  children: [
    {
      ...{
        studentId: 's',
        givenName: 'Caspian',
        timeZone: 'America/Halifax',
        good: [],
        before: [],
        comments: [],
      },
      needs: [
        {
          key: 'k',
          kind: 'work',
          studentId: 's',
          courseId: 'c',
          courseTitle: 'Boat-building',
          reasons: works,
        },
      ],
      coming: {
        works: 3,
        big: [
          {
            ...{ itemId: 'i', courseId: 'c', courseTitle: 'Charts', title: 'Check' },
            dueAt: '2026-10-23T12:00:00Z',
          },
        ],
      },
      attendance: { schoolDays: 5, daysMissed: 1, lessonsMissed: 2, unexplained: 1, late: 1 },
      changed: [{ courseId: 'c', courseTitle: 'Charts', before: 3.2, now: 2.9, outOf: 4, decimals: 1 }],
      more: 3,
    },
  ],
};

describe.each(languages)('in %s', (language) => {
  it('a mail says what, why, by whom and what next, and ends with how to hear less', () => {
    const { subject, text, html } = alertLetter(alert, child, ['loose-end:1'], frame(language));
    expect(subject).toMatch(/^Caspian: Ribs & “frames”: /);
    for (const part of [
      'Millrace',
      'https://cadro.example/alerts/rules',
      'https://cadro.example/mail-stop/x',
    ]) {
      expect(text).toContain(part);
    }
    // It leads to what it is told for, and says that first.
    expect(text).toContain('https://cadro.example/courses/s/c/i1');
    expect(text.indexOf('Ribs')).toBeLessThan(text.indexOf('Keel'));
    expect(text).not.toMatch(/undefined|null|NaN|\{\{|&amp;/);
    expect(html).not.toMatch(/<script|undefined|null|NaN/);
    expect(html).toContain('Keel &lt;script&gt;');
    expect(html.match(/<h1/g)).toHaveLength(1);
  });

  it('a text message is short and leads to the alert', () => {
    const text = alertText(alert, child, ['loose-end:1'], frame(language));
    expect(text).toMatch(/^Caspian: Ribs & “frames”: .*\. https:\/\/cadro\.example\/alerts\/a$/);
    expect(text.length).toBeLessThan(160);
  });

  it('a digest is whole in both its forms', () => {
    const { subject, text, html } = digestLetter(digest, 'weekly', frame(language));
    expect(subject).toContain('21');
    expect(text).toContain('Charts: ');
    expect(text).toContain('https://cadro.example/courses/s/c/i0');
    expect(text).toContain('https://cadro.example/days/attendance/s');
    expect(html.match(/<table/g)?.length).toBe(2);
    expect(text).not.toMatch(/undefined|null|NaN|\{\{/);
  });

  it('one with nothing to say is a line', () => {
    const { text } = digestLetter({ ...digest, children: [] }, 'daily', frame(language));
    expect(text.split('\n').filter(Boolean).length).toBeLessThan(12);
    expect(text).toMatch(/Nothing new|Nada nuevo/);
  });

  it('a try says that it is one', () => {
    expect(testLetter(frame(language)).subject).toMatch(/Cadro$/);
  });
});

const scored: KeptAlert = {
  ...alert,
  reasons: works.map((reason) => ({
    ...reason,
    rule: 'scored',
    work: { ...(reason.about === 'work' ? reason.work : works[0]), earned: 17, status: 'scored' },
  })) as KeptAlert['reasons'],
};
it.each([
  ['en', false, 'Caspian: Ribs & “frames” was scored'],
  ['en', true, 'Caspian: Ribs & “frames”: 17 of 20'],
  ['es', false, 'Caspian: Ribs & “frames”: calificado'],
] as const)('in %s a subject says grades where they are wanted: %s', (language, wanted, subject) => {
  const letter = alertLetter(scored, child, ['loose-end:1'], frame(language, wanted));
  expect(letter.subject).toBe(subject);
  // In the mail itself they stand either way.
  expect(letter.text).toMatch(/17 (of|de) 20/);
});

it('a mail is dark where its reader’s screen is, and paper for who does not know how', () => {
  const { html } = alertLetter(alert, child, ['loose-end:1'], frame('en'));
  expect(html).toContain('<meta name="color-scheme" content="light dark">');
  expect(html).toMatch(/@media \(prefers-color-scheme:dark\)\{body,table\{background:#10182A!important\}/);
  expect(html.match(/<td(?! align)[^>]*>/g)?.every((cell) => /class="(ink|soft)"/.test(cell))).toBe(true);
  expect(html.match(/<a [^>]*>/g)?.every((each) => /class="(ink|soft|plum)"/.test(each))).toBe(true);
});

it('what is about no child has the guardian’s own days', () => {
  const late = works.map((reason) => ({ ...reason, at: '2026-10-16T01:00:00Z' }));
  const { text } = alertLetter({ ...alert, reasons: late }, null, [], frame('en'));
  expect(text).toContain('Thu, Oct 15');
});

it('an alert about no child names none', () => {
  const { subject } = alertLetter({ ...alert, studentId: null }, null, ['loose-end:0'], frame('en'));
  expect(subject).toMatch(/^Keel/);
});

it('the address that stops mail is of one guardian, and nobody else can make it up', () => {
  const guardianId = '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6';
  const token = stopToken('a secret', guardianId);
  expect(token).not.toContain('.');
  // One that went out before the id kept its dashes is good all the same.
  const [id, signature] = [token.slice(0, 36).replaceAll('-', ''), token.slice(37)];
  expect(guardianOfToken('a secret', `${id}-${signature}`)).toBe(guardianId);
  expect(guardianOfToken('a secret', token)).toBe(guardianId);
  for (const other of [stopToken('another secret', guardianId), token.slice(0, -1), `${token}0`, '', 'x-y']) {
    expect(guardianOfToken('a secret', other)).toBeNull();
  }
});
