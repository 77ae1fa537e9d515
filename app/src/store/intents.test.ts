import { Intents } from './intents';

let nowMs = 0;
const intents = () => new Intents(() => nowMs);
beforeEach(() => (nowMs = 0));

it('takes three clicks for one intent', () => {
  const made = intents();
  const first = made.of('POST /api/messages', '{"text":"Hello"}');
  expect(made.of('POST /api/messages', '{"text":"Hello"}')).toBe(first);
  made.answered(first);
  nowMs = 500;
  expect(made.of('POST /api/messages', '{"text":"Hello"}').key).toBe(first.key);
});

it('takes another try after a lost answer for the same, however much later', () => {
  const made = intents();
  const first = made.of('POST /api/messages', 'a letter');
  made.of('POST /api/entries', 'a note');
  nowMs = 3_600_000;
  expect(made.of('POST /api/messages', 'a letter').key).toBe(first.key);
});

it.each<[string, (made: Intents) => void]>([
  ['some time after it was answered', () => (nowMs = 2_000)],
  ['after something else', (made) => made.answered(made.of('POST /api/other', 'x'))],
])('takes the same write for a new intent %s', (_when, happens) => {
  const made = intents();
  const first = made.of('PATCH /api/task', 'on');
  made.answered(first);
  happens(made);
  expect(made.of('PATCH /api/task', 'on').key).not.toBe(first.key);
});

it('takes on, off and on for three', () => {
  const made = intents();
  const keys = ['on', 'off', 'on'].map((asked) => made.of('PATCH /api/task', asked).key);
  expect(new Set(keys).size).toBe(3);
});

it('means a write anew once it has gone out another way, or was given up', () => {
  const made = intents();
  const first = made.of('POST /api/messages', 'a letter');
  made.over(first.key);
  expect(made.of('POST /api/messages', 'a letter').key).not.toBe(first.key);
});
