import { addSchoolDays, isDay, nextMonday } from './calendar';
import { creditsIn } from './credit';
import { cuesIn } from './cues';
import { daysIn } from './days';
import { languageOf } from './language';
import { sentencesOf } from './sentences';

/* Each reader by itself; the marked collection tells how they do together. Written on Wednesday 21 October 2026. */
const written = '2026-10-21';

describe('days', () => {
  const read = (text: string, lang: 'en' | 'es' = 'en') =>
    daysIn(text, written, lang).map(({ date, relation }) => [date, relation]);

  it.each([
    ['by Friday', [['2026-10-23', 'until']]],
    ['through 30 October', [['2026-10-30', 'until']]],
    ['before Friday', [['2026-10-22', 'before']]],
    ['before school on Friday', [['2026-10-23', 'until']]],
    ['after Friday', [['2026-10-23', 'after']]],
    ['not after Friday', [['2026-10-23', 'until']]],
    ['no later than Tuesday', [['2026-10-27', 'until']]],
    ['starting Monday', [['2026-10-26', 'from']]],
    ['the quiz of 6 October', [['2026-10-06', 'from']]],
    ["before Friday's lesson", [['2026-10-23', 'until']]],
    ["Monday's quiz", [['2026-10-26', 'names']]],
    ['from Monday to Friday', [['2026-10-30', 'until']]],
    ['by next Friday', [['2026-10-30', 'until']]],
    ['Tuesday of next week', [['2026-10-27', 'on']]],
    ['a week from Friday', [['2026-10-30', 'on']]],
    ['by the end of the week', [['2026-10-23', 'until']]],
    ['by the end of the month', [['2026-10-31', 'until']]],
    ['by the end of the unit', [[null, 'until']]],
    ['within ten days', [['2026-10-31', 'until']]],
    ['within 48 hours', [['2026-10-23', 'until']]],
    ['has two weeks', [['2026-11-04', 'until']]],
    ['two days late', []],
    ['by the 30th', [['2026-10-30', 'until']]],
    ['by the 5th', [['2026-11-05', 'until']]],
    ['the 5th grade', []],
    ['by 11/6', [['2026-11-06', 'until']]],
    ['by 2026-11-06', [['2026-11-06', 'until']]],
    ['by 31 November', [[null, 'until']]],
    ['by 13/45', [[null, 'until']]],
    ['question 7 may be redone', []],
    ['now', []],
    ['at noon', []],
    ['in November', []],
    ['by the end of next week', [['2026-10-30', 'until']]],
    ['by the end of the week', [['2026-10-23', 'until']]],
    ['by the end of this month', [['2026-10-31', 'until']]],
    ['by the end of the school day', [['2026-10-21', 'until']]],
    ['by Tuesday next week', [['2026-10-27', 'until']]],
    ['by Sunday of next week', [['2026-11-01', 'until']]],
    ['next week on Monday', [['2026-10-26', 'on']]],
    ['next Friday', [['2026-10-30', 'on']]],
    ['next Sunday', [['2026-11-01', 'on']]],
    ['a week from today', [['2026-10-28', 'on']]],
    ['one week from Friday', [['2026-10-30', 'on']]],
    ['by next week', [['2026-10-30', 'until']]],
    ['later this week', [['2026-10-23', 'on']]],
    ['within 24 hours', [['2026-10-22', 'until']]],
    ['within 30 hours', [['2026-10-23', 'until']]],
    ['within three days', [['2026-10-24', 'until']]],
    ['within three school days', [['2026-10-26', 'until']]],
    ['has another two weeks', [['2026-11-04', 'until']]],
    ['two days late', []],
    ['by the 21st', [['2026-10-21', 'until']]],
    ['by the 20th', [['2026-11-20', 'until']]],
    ['by 30 February', [[null, 'until']]],
    ['by February 30', [[null, 'until']]],
    ['by 2026-02-29', [[null, 'until']]],
    [
      'between Monday and Thursday',
      [
        ['2026-10-26', 'from'],
        ['2026-10-29', 'until'],
      ],
    ],
  ])('%s', (text, days) => expect(read(text)).toEqual(days));

  it.each([
    ['hasta el viernes', [['2026-10-23', 'until']]],
    ['antes del viernes', [['2026-10-22', 'before']]],
    ['a más tardar el 30 de octubre', [['2026-10-30', 'until']]],
    ['después del viernes', [['2026-10-23', 'after']]],
    ['a partir del lunes', [['2026-10-26', 'from']]],
    ['dentro de dos semanas', [['2026-11-04', 'until']]],
    ['hasta el día 30', [['2026-10-30', 'until']]],
    ['el próximo miércoles', [['2026-10-28', 'on']]],
    ['para mañana', [['2026-10-22', 'until']]],
    ['hasta el final de la unidad', [[null, 'until']]],
    ['hasta el 31 de noviembre', [[null, 'until']]],
    ['6/11', [['2026-11-06', 'on']]],
    ['con dos días de retraso', []],
    ['el mar', []],
    ['hasta el final de la próxima semana', [['2026-10-30', 'until']]],
    ['hasta fin de semana', [['2026-10-23', 'until']]],
    ['hasta fin de mes', [['2026-10-31', 'until']]],
    ['hasta el final del día', [['2026-10-21', 'until']]],
    ['hasta el domingo de la próxima semana', [['2026-11-01', 'until']]],
    ['el miércoles próximo', [['2026-10-28', 'on']]],
    ['la próxima semana', [['2026-10-30', 'on']]],
    ['esta semana', [['2026-10-23', 'on']]],
    ['dentro de 48 horas', [['2026-10-23', 'until']]],
    ['tiene tres días', [['2026-10-24', 'until']]],
    ['tiene tres días lectivos', [['2026-10-26', 'until']]],
    ['antes del día 5', [['2026-11-04', 'before']]],
    ['hasta el 15 de setiembre', [['2026-09-15', 'until']]],
    ['hasta el 31 de setiembre', [[null, 'until']]],
    ['13/13', [[null, 'on']]],
    ['31/11', [[null, 'on']]],
    [
      'entre el lunes y el jueves',
      [
        ['2026-10-26', 'from'],
        ['2026-10-29', 'until'],
      ],
    ],
  ])('%s', (text, days) => expect(read(text, 'es')).toEqual(days));
});

describe('months', () => {
  const months = {
    en: [
      'January',
      'Feb',
      'March',
      'Apr',
      'May',
      'June',
      'Jul',
      'August',
      'Sept',
      'October',
      'Nov',
      'December',
    ],
    es: [
      ...['enero', 'febrero', 'marzo', 'abril', 'mayo', 'junio'],
      ...['julio', 'agosto', 'septiembre', 'octubre', 'noviembre', 'diciembre'],
    ],
  };
  it.each(['en', 'es'] as const)('have a 31st or have none (%s)', (lang) => {
    const without = months[lang].flatMap((month, index) => {
      const text = lang === 'en' ? `by 31 ${month}` : `hasta el 31 de ${month}`;
      return daysIn(text, '2026-10-21', lang).some(({ date }) => date === null) ? [index + 1] : [];
    });
    expect(without).toEqual([2, 4, 6, 9, 11]);
  });
});

describe('credit', () => {
  const read = (text: string, lang: 'en' | 'es' = 'en') => creditsIn(text, lang).map(({ credit }) => credit);

  it.each([
    ['for half credit', [0.5]],
    ['for half the points', [0.5]],
    ['for three quarters', [0.75]],
    ['for two thirds of the points', [2 / 3]],
    ['for full credit', [1]],
    ['without penalty', [1]],
    ['for 70 %', [0.7]],
    ['up to 85 percent', [0.85]],
    ['capped at 80', [0.8]],
    ['loses 10 %', [0.9]],
    ['with a 20% penalty', [0.8]],
    ['15% off', [0.85]],
    ['up to a C', [0.7]],
    ['a B at most', [0.8]],
    ['for up to 8 of 10 points', [0.8]],
    ['full credit until Friday, half credit until Monday', [1, 0.5]],
    ['no credit after Friday', [0]],
    ['loses 10 % per day', []],
    ['she scored 70 %', []],
    ['for a week', []],
    ['half of the class', []],
  ])('%s', (text, credits) => expect(read(text)).toEqual(credits));

  it.each([
    ['por la mitad de la nota', [0.5]],
    ['por nota completa', [1]],
    ['sin penalización', [1]],
    ['con un máximo del 80 %', [0.8]],
    ['pierde un 10 %', [0.9]],
    ['hasta el 90 %', [0.9]],
    ['dos tercios de los puntos', [2 / 3]],
    ['sacó un 70 %', []],
  ])('%s', (text, credits) => expect(read(text, 'es')).toEqual(credits));
});

describe('what can be done', () => {
  const read = (text: string, lang: 'en' | 'es' = 'en') =>
    cuesIn(text, lang).map(({ kind, denied, moved }) => [
      kind,
      moved ? 'moved' : denied ? 'denied' : 'offered',
    ]);

  it.each([
    ['You may redo it', [['redo', 'offered']]],
    ['You may not redo it', [['redo', 'denied']]],
    ['It is not too late to redo it', [['redo', 'offered']]],
    ['No retakes', [['retake', 'denied']]],
    ['Do not forget to hand it in', [['hand-in', 'offered']]],
    ['Fix the units', [['correct', 'offered']]],
    ['The due date was moved to Monday', [['hand-in', 'moved']]],
    ['The due date was moved up to Monday', []],
    ['He wanted to redo it', []],
    ['The retake was on Monday', []],
    ['We will correct the tests', []],
    ['Great job on the corrections', []],
    ['You can retake it next year', []],
    ['Hand in the permission slip', []],
  ])('%s', (text, cues) => expect(read(text)).toEqual(cues));

  it.each([
    ['Puede repetir el examen', [['retake', 'offered']]],
    ['No se puede rehacer', [['redo', 'denied']]],
    ['Corregiré los exámenes', []],
    ['La fecha de entrega se ha aplazado', [['hand-in', 'moved']]],
  ])('%s', (text, cues) => expect(read(text, 'es')).toEqual(cues));
});

describe('sentences', () => {
  it.each([
    ['One. Two! Three?', ['One.', ' Two!', ' Three?']],
    ['By 3 p.m. on Friday. Then no more.', ['By 3 p.m. on Friday.', ' Then no more.']],
    ['Until Nov. 4 for half; later nothing.', ['Until Nov. 4 for half;', ' later nothing.']],
    ['It is worth 2.5 points.', ['It is worth 2.5 points.']],
    ['\n\n', []],
  ])('%j', (text, parts) => expect(sentencesOf(text).map((each) => each.text)).toEqual(parts));

  it('keep their places, however long', () => {
    const text = `${'word '.repeat(400)}. End.`;
    const parts = sentencesOf(text);
    expect(parts.map((each) => each.text).join('')).toBe(text);
    for (const { text: part, start } of parts) expect(text.slice(start, start + part.length)).toBe(part);
    expect(Math.max(...parts.map((each) => each.text.length))).toBeLessThanOrEqual(500);
  });
});

describe('the calendar', () => {
  it('counts school days and weeks', () => {
    expect(addSchoolDays('2026-10-23', 1)).toBe('2026-10-26');
    expect(nextMonday('2026-10-25')).toBe('2026-10-26');
    expect(nextMonday('2026-10-26')).toBe('2026-11-02');
  });

  it('knows what is no day', () =>
    expect([isDay(2026, 2, 29), isDay(2028, 2, 29), isDay(2026, 11, 31), isDay(2028, 14, 1)]).toEqual([
      ...[false, true, false, false],
    ]));
});

it.each([
  ['You may redo the map until Friday.', 'en'],
  ['Puede rehacer el mapa hasta el viernes.', 'es'],
  ['¡Muy bien!', 'es'],
  ['', 'en'],
  ['17/20', 'en'],
])('tells the language of %j', (text, lang) => expect(languageOf(text)).toBe(lang));
