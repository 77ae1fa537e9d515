import { Simulation, type Letter } from '../simulation';
import { markId, opensAt } from '../story';
import { deskAnswer } from './desk';

const letter = (subject: string, text: string): Letter => ({
  ...{ subject, text, from: 'maren@aldervane.example', to: 'attendance@gannet-head.example' },
  ...{ replyTo: 'r@mail.cadro.example', messageId: '<m@mail>', receivedAt: opensAt, answeredAt: null },
});
/** The code of a mark before and after the desk has read a letter. */
function codes(school: string, date: string, key: string, student: string, said: Letter) {
  const simulation = new Simulation(null);
  simulation.moveTo(opensAt);
  const id = markId(student, date, key);
  const code = () => {
    const row = simulation.records.get(school)?.versions('attendance', id).at(-1)?.row;
    return (row as { code?: string } | undefined)?.code;
  };
  const before = code();
  const { act, text } = deskAnswer(school, said);
  act?.(simulation);
  return { before, after: code(), text };
}

it('reads the child, the day and the lesson, and puts the reason down', () => {
  const said = letter(
    'Isolde: absence on 19 October',
    'Isolde was away.\n19 October: Rowing geometry\nReason: rowing.',
  );
  const { before, after, text } = codes('gannet-head', '2026-10-19', 'rowing', 'isolde', said);
  expect([before, after]).toEqual(['U', 'E']);
  expect(text).toContain('excused now');
});

it('reads Spanish', () => {
  const said = letter(
    'Isolde: ausencia el 19 de octubre',
    'Isolde faltó.\n19 de octubre: Rowing geometry\nMotivo: remo.',
  );
  expect(codes('gannet-head', '2026-10-19', 'rowing', 'isolde', said).after).toBe('E');
});

it('puts a wrong mark right', () => {
  const said = letter(
    'Isolde: a mark on 19 October',
    'A mark looks wrong.\n19 October: Rowing geometry\nShe was there.',
  );
  expect(codes('gannet-head', '2026-10-19', 'rowing', 'isolde', said).after).toBe('P');
});

it.each([
  ['no child it knows', letter('Absence on 19 October', 'Somebody was away. Reason: rowing.')],
  ['no day', letter('Isolde: absence', 'She was away. Reason: rowing.')],
  ['neither a reason nor an objection', letter('Isolde on 19 October', 'Hello.')],
])('asks back when a letter names %s', (_name, said) => {
  const { before, after, text } = codes('gannet-head', '2026-10-19', 'rowing', 'isolde', said);
  expect(after).toBe(before);
  expect(text).toContain('Please tell us which student, which day');
});
