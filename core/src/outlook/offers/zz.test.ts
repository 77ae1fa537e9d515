import { cuesIn } from './cues';
import { creditsIn } from './credit';
import { daysIn } from './days';
it('x', () => {
  for (const [t, l] of [['Late work loses 10 % per day and is closed after five days.', 'en']] as const)
    process.stdout.write(
      JSON.stringify([cuesIn(t, l), daysIn(t, '2026-10-21', l), creditsIn(t, l)], null, 0) + '\n',
    );
});
