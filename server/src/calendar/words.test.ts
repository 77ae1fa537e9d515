import { calendarLayers, languages } from '@cadro/contract';
import { calendarWords } from './words';

const none = { absent: 0, unexplained: 0, late: 0, trip: 0, wholeDay: false };
describe('what happened on a day', () => {
  it.each([
    [{ absent: 1 }, 'Missed 1 class', 'Faltó a 1 clase'],
    [{ absent: 6 }, 'Missed 6 classes', 'Faltó a 6 clases'],
    [{ absent: 3, unexplained: 3 }, 'Missed 3 classes, no reason given', 'Faltó a 3 clases, sin justificar'],
    [
      { absent: 3, unexplained: 1 },
      'Missed 3 classes, 1 without a reason',
      'Faltó a 3 clases, 1 sin justificar',
    ],
    [{ absent: 1, wholeDay: true }, 'Absent all day', 'Faltó todo el día'],
    [{ late: 1 }, 'Late once', 'Tarde 1 vez'],
    [{ late: 2, absent: 1 }, 'Missed 1 class, late 2 times', 'Faltó a 1 clase, tarde 2 veces'],
    [{ trip: 2 }, 'On a trip for 2 classes', 'De excursión en 2 clases'],
    [{ trip: 1, wholeDay: true }, 'On a trip all day', 'De excursión todo el día'],
  ])('%j', (marks, en, es) => {
    expect(calendarWords.en.attended({ ...none, ...marks })).toBe(en);
    expect(calendarWords.es.attended({ ...none, ...marks })).toBe(es);
  });
});

it.each(languages)('every layer has a word of its own in %s', (language) => {
  const words = calendarLayers.map((layer) => calendarWords[language].layer[layer]);
  expect(new Set(words).size).toBe(calendarLayers.length);
  expect(words.every((word) => word.length > 0)).toBe(true);
});
