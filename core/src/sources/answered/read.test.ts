import { readAnswer, readsAutomatic } from '.';

/* Answers in the shapes in which mail programs on desks, phones and in browsers write them; each quotes this letter. */
const letter = [
  'Dear Wren Thornwick,',
  '',
  'Was Caspian there on Monday?',
  '',
  'Can he still turn it in?',
  '',
  'Thank you, Maren Aldervane',
];
const quoted = letter.map((line) => `> ${line}`.trimEnd()).join('\n');
const htmlLetter = letter
  .filter((line) => line !== '')
  .map((line) => `<p>${line}</p>`)
  .join('');
const address = 'reply+abc123.def456@mail.cadro.example';
const both =
  '> Was Caspian there on Monday?\nNo, he was not.\n\n> Can he still turn it in?\nYes, until Friday.';
const text = (lines: string) => ({ text: lines, html: '' });
const html = (markup: string) => ({
  text: '',
  html: `<html><head><style>p{}</style></head><body>${markup}</body></html>`,
});

describe('an answer in the shape of', () => {
  it.each<[string, { text: string; html: string }, string]>([
    [
      'text above the quotation, with one line of attribution',
      text(
        `Yes, until Friday.\n\nOn Thu, Oct 22, 2026 at 9:14 AM Maren Aldervane <${address}> wrote:\n\n${quoted}`,
      ),
      'Yes, until Friday.',
    ],
    [
      'an attribution that is broken over three lines',
      text(
        `Yes, until Friday.\n\nOn Thursday, October 22, 2026,\nMaren Aldervane via Cadro\n<${address}> wrote:\n\n${quoted}`,
      ),
      'Yes, until Friday.',
    ],
    [
      'text below the quotation',
      text(`On 22/10/2026 09:14, Maren Aldervane wrote:\n${quoted}\n\nYes, until Friday.\n`),
      'Yes, until Friday.',
    ],
    [
      'text between what it answers',
      text(
        `On 22/10/2026 09:14, Maren Aldervane wrote:\n> Dear Wren Thornwick,\n>\n> Was Caspian there on Monday?\nNo, he was not.\n\n> Can he still turn it in?\nYes, until Friday.\n\n> Thank you, Maren Aldervane\n`,
      ),
      both,
    ],
    [
      'a greeting above, then text between what it answers',
      text(
        `Hello Maren,\n\n> Was Caspian there on Monday?\n\nNo, he was not.\n\n> Can he still turn it in?\n\nYes, until Friday.\n\nWren\n`,
      ),
      `Hello Maren,\n\n${both}\n\nWren`,
    ],
    [
      'text above the headers of the letter, which is quoted by no mark',
      text(
        `Yes, until Friday.\n\nFrom: Maren Aldervane <${address}>\nSent: Thursday, October 22, 2026 9:14 AM\nTo: Wren Thornwick\nSubject: Caspian: Keel model\n\n${letter.join('\n')}`,
      ),
      'Yes, until Friday.',
    ],
    [
      'the same below a line',
      text(
        `Yes, until Friday.\n\n________________________________\nFrom: Maren Aldervane <${address}>\nDate: Thursday, October 22, 2026\nTo: Wren Thornwick\nSubject: Keel\n\n${letter.join('\n')}`,
      ),
      'Yes, until Friday.',
    ],
    [
      'a divider with words',
      text(`Yes, until Friday.\n\n-----Original Message-----\nFrom: Maren\n${letter.join('\n')}`),
      'Yes, until Friday.',
    ],
    [
      'a phone that says which phone it is',
      text(
        `Yes, until Friday.\n\nSent from my phone\n\nOn Oct 22, 2026, at 9:14 AM, Maren wrote:\n\n${quoted}`,
      ),
      'Yes, until Friday.',
    ],
    [
      'a signature between two dashes and the quotation',
      text(
        `Yes, until Friday.\n\n-- \nWren Thornwick\nBoat shed, room 1\n\nOn Oct 22, Maren wrote:\n${quoted}`,
      ),
      'Yes, until Friday.',
    ],
    [
      'Spanish, with its own attribution',
      text(
        `Sí, hasta el viernes.\n\nEl jue, 22 oct 2026 a las 9:14, Maren Aldervane\n(<${address}>) escribió:\n\n${quoted}`,
      ),
      'Sí, hasta el viernes.',
    ],
    [
      'Spanish headers of the letter',
      text(
        `Sí, hasta el viernes.\n\nDe: Maren Aldervane <${address}>\nEnviado el: jueves, 22 de octubre de 2026\nPara: Wren\nAsunto: Quilla\n\n${letter.join('\n')}`,
      ),
      'Sí, hasta el viernes.',
    ],
    [
      'markup alone, quoted in a box of its own',
      html(
        `<div dir="ltr">Yes, until Friday.</div><br><div class="gmail_quote"><div dir="ltr" class="gmail_attr">On Thu, Oct 22, 2026 at 9:14 AM Maren &lt;<a href="mailto:${address}">${address}</a>&gt; wrote:<br></div><blockquote class="gmail_quote">${htmlLetter}</blockquote></div>`,
      ),
      'Yes, until Friday.',
    ],
    [
      'markup alone, with the attribution in a line of its own',
      html(
        `<div>Yes, until Friday.</div><div><br><blockquote type="cite"><div>On Oct 22, 2026, at 9:14 AM, Maren Aldervane &lt;${address}&gt; wrote:</div><br><div>${htmlLetter}</div></blockquote></div>`,
      ),
      'Yes, until Friday.',
    ],
    [
      'markup alone, with the headers of the letter below a line',
      html(
        `<p class="MsoNormal">Yes, until Friday.</p><div style="border:none;border-top:solid #E1E1E1 1.0pt"><p class="MsoNormal"><b>From:</b> Maren Aldervane &lt;${address}&gt;<br><b>Sent:</b> Thursday, October 22, 2026 9:14 AM<br><b>To:</b> Wren Thornwick<br><b>Subject:</b> Keel model</p></div>${htmlLetter}`,
      ),
      'Yes, until Friday.',
    ],
    [
      'markup alone, with a mark from which on all is the letter',
      html(
        `<div>Yes, until Friday.</div><div id="appendonsend"></div><hr><div id="divRplyFwdMsg"><b>From:</b> Maren &lt;${address}&gt;</div>${htmlLetter}`,
      ),
      'Yes, until Friday.',
    ],
    [
      'markup with answers between the quotations',
      html(
        `<div>On 10/22/26 9:14 AM, Maren wrote:</div><blockquote type="cite"><p>Was Caspian there on Monday?</p></blockquote><p>No, he was not.</p><blockquote type="cite"><p>Can he still turn it in?</p></blockquote><p>Yes, until Friday.</p>`,
      ),
      both,
    ],
    [
      'markup with answers in a colour, in the letter itself',
      html(
        `<p>See below.</p><div id="divRplyFwdMsg"></div><p>Was Caspian there on Monday? <span style="color:red">No, he was not.</span></p><p>Can he still turn it in? <span style="color:#C00000">Yes, until Friday.</span></p>`,
      ),
      `See below.\n\n${both}`,
    ],
    [
      'markup of a program that names its box otherwise',
      html(
        `<div>Yes, until Friday.</div><div class="yahoo_quoted"><div>On Thursday, October 22, 2026, Maren wrote:</div>${htmlLetter}</div>`,
      ),
      'Yes, until Friday.',
    ],
    [
      'markup with a list, entities and a picture',
      html(
        `<p>Until Friday &amp; at lunch:</p><ul><li>the keel</li><li>the log&nbsp;book</li></ul><img src="cid:x"><div class="moz-cite-prefix">On 10/22/26, Maren wrote:<br></div><blockquote>${htmlLetter}</blockquote>`,
      ),
      'Until Friday & at lunch:\n\n• the keel\n• the log book',
    ],
    ['both, of which the text is taken', { text: 'Yes.\n', html: '<p>Something else</p>' }, 'Yes.'],
    ['the letter sent back with nothing added', text(`On Oct 22, Maren wrote:\n${quoted}`), ''],
    ['nothing at all', text(' \n\n'), ''],
  ])('%s', (_name, mail, said) => expect(readAnswer(mail)).toBe(said));
});

it('is no line of a conversation that looks like an attribution or a header', () => {
  const said = 'On Monday he wrote:\nI was there.\n\nFrom: the shed, To: the quay is a good walk.';
  expect(readAnswer(text(said))).toContain('I was there.');
  expect(readAnswer(text(said))).toContain('a good walk');
});

it('keeps no address of the thread, wherever it stands', () => {
  expect(readAnswer(text(`Write me at ${address} or come by.`))).toBe('Write me at  or come by.');
});

it('reads a mail of any depth and length', () => {
  const deep = `${'<blockquote>'.repeat(5_000)}x${'</blockquote>'.repeat(5_000)}<p>Yes.</p>`;
  expect(readAnswer(html(deep))).toBe('Yes.');
  expect(readAnswer(text('> a\nb\n'.repeat(5_000))).length).toBeGreaterThan(10);
});

describe('an answer that a program sent by itself', () => {
  it.each<[string, string, boolean]>([
    ['Automatic reply: Caspian: Keel model', 'I am back on Monday.', true],
    ['Out of Office Re: Keel', 'Back soon', true],
    ['Respuesta automática: Quilla', 'Vuelvo el lunes.', true],
    ['Re: Keel model', 'I am out of the office until Monday, November 2.', true],
    ['Re: Keel model', 'Thank you for your message. I’m currently away on a class trip.', true],
    ['Re: Keel model', 'Gracias por su mensaje. Estaré fuera de la oficina hasta el lunes.', true],
    ['Re: Keel model', 'Yes, until Friday. I am out of the office on Monday.', false],
    ['Re: Keel model', 'He was out of the classroom when I collected them.', false],
    ['Re: out of the box', 'I am glad to help.', false],
  ])('“%s”: “%s” is one: %s', (subject, said, automatic) =>
    expect(readsAutomatic({ subject, said })).toBe(automatic),
  );
});
