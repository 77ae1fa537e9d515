import { cuesIn } from './cues';
import { daysIn } from './days';
it('x', () => {
  for (const [t, l] of [['I am opening the quiz again on Monday for those who were away.', 'en']] as const)
    process.stdout.write(JSON.stringify([cuesIn(t, l), daysIn(t, '2026-10-21', l)], null, 0) + '\n');
});
