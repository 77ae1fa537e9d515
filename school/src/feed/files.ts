import { Router } from 'express';

/** Sheets that assignments refer to, by file name. */
const sheets: Readonly<Record<string, string>> = {
  'keel-plan.txt': [
    'Plan of the keel, one to ten',
    '',
    'Keel      4.20 m      42.0 cm',
    'Stem      1.10 m      11.0 cm',
    'Sternpost 0.90 m       9.0 cm',
    'Scarf     0.48 m       4.8 cm, a third of the way from the stem',
    '',
  ].join('\n'),
  'source-letter.txt': [
    'Source letter, Isolde',
    '',
    'The source: named, with who wrote it. What does the keeper leave out?',
    'Own words: the last paragraph retells. One sentence of your own judgment would lift it.',
    '',
  ].join('\n'),
};

/** Spoken remarks: made up of a soft tone, as long as they say they are. */
const recordings: Readonly<Record<string, number>> = { 'rowing-quiz-5.wav': 4 };
const rate = 8000;

/** Sound of one channel, 16 bits a sample, as a WAV file. */
function toneOf(seconds: number): Buffer {
  const samples = Buffer.alloc(2 * rate * seconds);
  for (let at = 0; at < rate * seconds; at++) {
    const swell = Math.sin((Math.PI * at) / (rate * seconds));
    samples.writeInt16LE(Math.round(3000 * swell * Math.sin((2 * Math.PI * 220 * at) / rate)), 2 * at);
  }
  const head = Buffer.alloc(44);
  head.write('RIFF', 0);
  head.writeUInt32LE(36 + samples.length, 4);
  head.write('WAVEfmt ', 8);
  head.writeUInt32LE(16, 16);
  head.writeUInt16LE(1, 20);
  head.writeUInt16LE(1, 22);
  head.writeUInt32LE(rate, 24);
  head.writeUInt32LE(2 * rate, 28);
  head.writeUInt16LE(2, 32);
  head.writeUInt16LE(16, 34);
  head.write('data', 36);
  head.writeUInt32LE(samples.length, 40);
  return Buffer.concat([head, samples]);
}

export function filesRouter(): Router {
  const router = Router();
  router.get('/files/:name', (request, response) => {
    const seconds = recordings[request.params.name];
    if (seconds !== undefined) return void response.type('audio/wav').send(toneOf(seconds));
    const sheet = sheets[request.params.name];
    if (!sheet) return void response.status(404).type('text').send('No such sheet.');
    response.type('text').send(sheet);
  });
  return router;
}
