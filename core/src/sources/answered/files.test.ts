import fc from 'fast-check';
import { isPlainText, judgeFile, mostOfOneFile, safeFileName } from '.';

const bytes = (text: string) => new TextEncoder().encode(text);

it.each([
  ['permission slip.pdf', 'permission slip.pdf'],
  ['..\\x.exe', 'x.exe'],
  ['../../etc/passwd', 'passwd'],
  ['C:\\Users\\w\\photo.png', 'photo.png'],
  ['.htaccess', 'htaccess'],
  ['a\u202efdp.exe', 'afdp.exe'],
  ['line\nbreak?.txt', 'linebreak.txt'],
  ['', 'file'],
  ['...', 'file'],
  [`${'long'.repeat(60)}.pdf`, `${'long'.repeat(60)}.pdf`.slice(-120)],
])('“%s” is named “%s”', (name, safe) => expect(safeFileName(name)).toBe(safe));

it('names every file by what is no way to anywhere', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary' }), (name) => {
      const safe = safeFileName(name);
      expect(safe).not.toBe('');
      expect(safe).not.toMatch(/[\\/\0\n\r]|^\.|[<>:"|?*]/);
    }),
  );
});

it.each<[string, Parameters<typeof judgeFile>[0], string | null]>([
  [
    'a PDF',
    { name: 'slip.pdf', claimed: 'application/pdf', found: 'application/pdf', bytes: bytes('%PDF') },
    null,
  ],
  [
    'a picture named otherwise',
    { name: 'a.JPEG', claimed: 'image/jpeg', found: 'image/jpeg', bytes: bytes('x') },
    null,
  ],
  ['words', { name: 'list.txt', claimed: 'text/plain', found: null, bytes: bytes('Boots, socks') }, null],
  ['a list', { name: 'list.csv', claimed: 'text/csv', found: null, bytes: bytes('a,b\n1,2') }, null],
  ['no name at all', { name: 'file', claimed: 'image/png', found: 'image/png', bytes: bytes('x') }, null],
  [
    'a picture that is markup',
    { name: 'a.png', claimed: 'image/png', found: null, bytes: bytes('<html><script>1</script>') },
    'not-as-named',
  ],
  [
    'a drawing with a script',
    {
      name: 'a.svg',
      claimed: 'image/svg+xml',
      found: 'application/xml',
      bytes: bytes('<svg><script/></svg>'),
    },
    'kind',
  ],
  [
    'a program',
    {
      name: 'x.exe',
      claimed: 'application/octet-stream',
      found: 'application/x-msdownload',
      bytes: bytes('MZ'),
    },
    'kind',
  ],
  [
    'a program named as a picture',
    { name: 'x.png', claimed: 'image/png', found: 'application/x-msdownload', bytes: bytes('MZ') },
    'not-as-named',
  ],
  [
    'a picture named as a program',
    { name: 'x.exe', claimed: 'image/png', found: 'image/png', bytes: bytes('x') },
    'kind',
  ],
  [
    'a PDF named as a picture',
    { name: 'x.png', claimed: 'image/png', found: 'application/pdf', bytes: bytes('%PDF') },
    'not-as-named',
  ],
  [
    'words named as a script',
    { name: 'run.sh', claimed: 'text/plain', found: null, bytes: bytes('rm') },
    'kind',
  ],
  [
    'an archive',
    { name: 'all.zip', claimed: 'application/zip', found: 'application/zip', bytes: bytes('PK') },
    'kind',
  ],
  [
    'what is too large',
    {
      ...{ name: 'a.pdf', claimed: 'application/pdf', found: 'application/pdf' },
      bytes: new Uint8Array(mostOfOneFile + 1),
    },
    'too-large',
  ],
  [
    'what did not come whole',
    { name: 'a.pdf', claimed: 'application/pdf', found: 'application/pdf', bytes: bytes('%PDF'), cut: true },
    'too-large',
  ],
])('%s: %o', (_name, file, withheld) => expect(judgeFile(file).withheld).toBe(withheld));

it.each([
  ['words', 'Boots & socks\nand a hat', true],
  ['words in Spanish', 'Botas y calcetines, ¿sí?', true],
  ['markup', '  <!doctype html>', false],
  ['a script', '#!/bin/sh', false],
  ['a control character', 'a\u0001b', false],
])('%s are plain text: %s', (_name, text, plain) => expect(isPlainText(bytes(text))).toBe(plain));
it('bytes that are no text are none', () => expect(isPlainText(Uint8Array.of(0xff, 0xfe, 0x41))).toBe(false));
