import { sizeWords, stretchesOf } from './answered';

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
