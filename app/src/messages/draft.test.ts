import { i18next, makeFormat } from '../i18n';
import { draftFor, emptyDraft, fileDraft, timesDraft, type LetterAbout, type Says } from './draft';
import { tones } from './opening';
import { startTexts } from '../testing/texts';

startTexts('en');
const says = (language: 'en' | 'es'): Says => ({
  t: i18next.getFixedT(language),
  format: makeFormat(language, 'America/Halifax', '2026-10-22T19:40:00Z'),
});
const who = { child: 'Caspian', guardian: 'Maren Aldervane', now: '2026-10-22T19:40:00Z' };
const about: LetterAbout = {
  ...{ title: 'Keel model', courseTitle: 'Boat-building', topic: 'work', possible: 20 },
  ...{ dueAt: '2026-10-12T15:00:00Z', stillKind: 'overdue', entries: [] },
  teacher: { id: 't', name: 'Ramón Esparto', contactable: true },
};

describe('a letter in the language of whoever gets it', () => {
  it('says the same facts in both, each with its own days and words', () => {
    const to = { name: 'Ramón Esparto', tone: 'plain' as const };
    const [english, spanish] = [draftFor(says('en'), about, to, who), draftFor(says('es'), about, to, who)];
    for (const { text, subject } of [english, spanish]) {
      expect(subject).toBe('Caspian: Keel model');
      for (const fact of ['Keel model', 'Boat-building', '20', 'Ramón Esparto', 'Maren Aldervane'])
        expect(text).toContain(fact);
      expect(text).not.toMatch(/\{\{|undefined|message\./);
    }
    expect(english.text).toMatch(/^Dear Ramón Esparto,/);
    expect(spanish.text).toMatch(/^Estimado\/a Ramón Esparto:/);
    expect(spanish.text).toContain('12 de octubre');
    expect(spanish.text).not.toMatch(/gradebook|October/);
  });

  it.each(tones)('begins in a %s tone without a word of the other language', (tone) => {
    const { text } = draftFor(says('es'), about, { name: 'Ramón Esparto', tone }, who);
    expect(text).not.toMatch(/\b(Dear|thank|hope|week)\b/i);
  });
});

it('about nothing yet is an opening and a name, and asks an office to pass it on', () => {
  const plain = emptyDraft(says('en'), { name: 'Front office', tone: 'plain' }, who);
  expect(plain.text.replace(/\n+/g, '\n')).toBe(
    'Dear Front office,\nThank you, and best wishes\nMaren Aldervane',
  );
  const passed = emptyDraft(
    says('en'),
    { name: 'Front office', tone: 'plain', passOnTo: 'Edmund Pellory' },
    who,
  );
  expect(passed.text).toContain('Could you please pass this on to Edmund Pellory?');
});

it('about what is on file names what stands there, and nothing of whom nothing may be seen', () => {
  const reach = { email: 'm@aldervane.example', phone: '+1 555 010 0100', sms: null, address: null };
  const { text } = fileDraft(
    says('en'),
    {
      child: null,
      people: [
        { name: 'Maren Aldervane', relation: 'parent', own: true, reach },
        { name: 'Tobiah Aldervane', relation: 'guardian', own: false, reach: null },
      ] as unknown as Parameters<typeof fileDraft>[1]['people'], // all that a draft reads
    },
    { name: 'Front office', tone: 'warm' },
    who,
  );
  expect(text).toMatch(/^Dear Front office,\n\nI hope your week is going well\.\n\nPlease change/);
  expect(text).toContain('+1 555 010 0100');
  expect(text).not.toContain('Tobiah');
});

describe('a letter that asks for a talk', () => {
  const times = ['2026-10-29T18:45:00.000Z', '2026-11-03T19:00:00.000Z'];
  const to = { name: 'Wren Thornwick', tone: 'plain' as const };
  it('names the times by the school’s clock, also after it has gone back', () => {
    const { subject, text } = timesDraft(says('en'), { times, minutes: 20 }, to, who);
    expect(subject).toBe('A time to talk about Caspian');
    expect(text).toMatch(/October 29, 3:45 PM\n- Tuesday.* November 3, 3:00 PM\n/);
    expect(text).toContain('about 20 minutes');
    expect(text).not.toMatch(/\{\{|undefined|meeting\./);
  });
  it('names one in a sentence, in either language', () => {
    for (const language of ['en', 'es'] as const) {
      const { text } = timesDraft(says(language), { times: times.slice(0, 1), minutes: 15 }, to, who);
      expect(text).toContain(language === 'en' ? '3:45 PM.' : '3:45 pm.');
      expect(text).not.toMatch(/\n- |\{\{|meeting\./);
    }
  });
});
