import type { FollowUp } from '@cadro/contract';
import { sizeWords, stretchesOf, takenBack } from './answered';
import { askedAt } from './draft';

it('tells what is answered from the answers', () => {
  expect(stretchesOf('Hello,\n\n> Was he there?\n> On Monday?\nNo.\n\n> Until when?\nUntil Friday.')).toEqual(
    [
      { quoted: false, text: 'Hello,' },
      { quoted: true, text: 'Was he there?\nOn Monday?' },
      { quoted: false, text: 'No.' },
      { quoted: true, text: 'Until when?' },
      { quoted: false, text: 'Until Friday.' },
    ],
  );
  expect(stretchesOf('')).toEqual([]);
});

it.each([
  [1, '1 KB'],
  [120_400, '120 KB'],
  [2_345_678, '2.3 MB'],
])('%i bytes are %s', (size, words) => expect(sizeWords(size)).toBe(words));

it('goes on as a draft where it was written', () => {
  const letter = { studentId: 's', teacherId: 't', followUpId: null, subject: 'Keel', text: 'Here?' };
  expect(takenBack(letter)).toMatchObject({
    ...{ key: 'letter:s:t:studentId=s&teacherId=t', place: '/talk/write?studentId=s&teacherId=t' },
    fields: { subject: 'Keel', text: 'Here?' },
  });
  expect(takenBack({ ...letter, followUpId: 'f' }).place).toBe('/talk/write?followUpId=f');
});

it.each([
  ['nothing was asked', [], null],
  ['asked and open', ['noticed', 'written', 'note'], '1'],
  ['asked and answered', ['written', 'answered'], null],
  ['asked once more', ['written', 'answered', 'written'], '2'],
] as const)('a reminder is due where %s', (_name, kinds, at) => {
  const entries = kinds.map((kind, index) => ({ kind, at: String(index) })) as FollowUp['entries'];
  expect(askedAt({ entries })).toBe(at);
});
