/** @jest-environment node */
import { strToU8, zipSync } from 'fflate';
import { tableLimits, tableReader, type TableAnswer, type TableAsk } from './table';

/* What the table worker makes of what it is given; the same reader as in the worker, without one. */
const fileOf = (bytes: Uint8Array): Blob =>
  ({ size: bytes.length, arrayBuffer: async () => bytes.slice().buffer }) as unknown as Blob;

async function asked(given: Partial<TableAsk>): Promise<TableAnswer> {
  const answers: TableAnswer[] = [];
  const read = tableReader((answer) => answers.push(answer));
  await read({ turn: 1, lang: 'en', today: '2026-10-21', known: {}, ...given });
  const [answer] = answers;
  if (!answer) throw new Error('no answer');
  return answer;
}
const titles = (answer: TableAnswer) =>
  'table' in answer ? answer.table.rows.map(({ title }) => title) : answer.fault;

const csv = 'Assignment;Due;Score\nTide log;2026-10-09;8/10\nCafé essay;2026-10-12;M\n';

it.each<[string, Uint8Array]>([
  ['UTF-8', new TextEncoder().encode(csv)],
  ['UTF-8 with its mark', new TextEncoder().encode(`\ufeff${csv}`)],
  ['what western spreadsheets write', Uint8Array.from(csv, (letter) => letter.charCodeAt(0))],
  [
    'UTF-16',
    Uint8Array.from([
      0xff,
      0xfe,
      ...[...csv].flatMap((letter) => [letter.charCodeAt(0) & 255, letter.charCodeAt(0) >> 8]),
    ]),
  ],
])('reads a file in %s', async (_encoding, bytes) => {
  expect(titles(await asked({ file: fileOf(bytes) }))).toEqual(['Tide log', 'Café essay']);
});

it('reads what is pasted from a page as the table it was there', async () => {
  const markup =
    '<p>Grades</p><table><tr><th>Assignment</th><th>Points</th></tr><tr><td>Knots</td><td>9 / 10</td></tr></table>';
  expect(titles(await asked({ text: markup }))).toEqual(['Knots']);
});

it('reads a corrected shape as it was corrected', async () => {
  const text = 'What;When;Marks\nKnots;2026-10-09;9/10\n';
  const plain = await asked({ text });
  const shape = 'shape' in plain ? plain.shape : '';
  const again = await asked({ text, known: { [shape]: ['title', 'other', 'score'] } });
  expect('table' in again && again.table.rows[0]?.dueOn).toBeNull();
  expect('table' in plain && plain.table.rows[0]?.dueOn).toBe('2026-10-09');
});

it('reads no more rows than a phone can show, and says so', async () => {
  const rows = Array.from({ length: tableLimits.rows + 50 }, (_each, index) => `Work ${index};9/10`);
  const answer = await asked({ text: ['Assignment;Score', ...rows].join('\n') });
  expect(answer).toMatchObject({ cut: true });
  expect(titles(answer)).toHaveLength(tableLimits.rows - 1);
});

it.each<[string, Partial<TableAsk>, string]>([
  ['a file that is too large', { file: { size: 1e9 } as Blob }, 'too-big'],
  ['a packed bomb', { file: fileOf(zipSync({ 'xl/a.xml': new Uint8Array(90_000_000) })) }, 'too-big'],
  ['an old workbook', { file: fileOf(Uint8Array.from([0xd0, 0xcf, 0x11, 0xe0, 0, 0])) }, 'old-sheet'],
  ['a zip that is no workbook', { file: fileOf(zipSync({ 'boat.txt': strToU8('a boat') })) }, 'unreadable'],
  ['a cut workbook', { file: fileOf(Uint8Array.from([0x50, 0x4b, 3, 4, 0, 0])) }, 'unreadable'],
  ['a picture', { file: fileOf(Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0, 1, 0, 2])) }, 'unreadable'],
  ['a letter', { text: 'Dear all, see you on Friday.' }, 'no-rows'],
])('says what is wrong with %s', async (_what, given, fault) => {
  expect(titles(await asked(given))).toBe(fault);
});
