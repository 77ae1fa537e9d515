import { at } from './days/calendar';
import type { SpecialComment } from './teacherWords';

/* What teachers wrote on the report cards of the first quarter. */

const word = (
  school: string,
  student: string,
  course: string,
  text: string,
  late = false,
): SpecialComment => ({
  ...{ school, course, student, text, subject: 'report-card', quarter: 1 },
  at: late ? at('2026-11-13', '12:00') : at('2026-11-10', '12:00'),
});
const isolde = (course: string, text: string, late = false) =>
  word('gannet-head', 'isolde', course, text, late);
const caspian = (course: string, text: string) => word('millrace', 'caspian', course, text);
const pet = (course: string, text: string) => word('little-fathom', 'pet', course, text);

export const reportWords: readonly SpecialComment[] = [
  isolde('kelp', 'Isolde works neatly at the bench. What is missing is missing: the reef survey never came.'),
  isolde('tides', 'A quarter without surprises. She reads a gauge better than most adults.'),
  isolde('optics', 'The essay on lamps was the best in the grade. Keep the sketchbook going.'),
  isolde('spanish', 'Habla sin miedo y escucha a los demás.'),
  isolde('history', 'Uses sources well when she trusts them. I hope for more doubt in the second quarter.'),
  isolde('letters', 'Her diary of the keeper stays with me. More pages, please.', true),
  isolde('rowing', 'The first weeks were strong, the last ones hard. She’s welcome at Tuesday help hour.'),
  caspian('boats', 'The keel came late and was worth it. He can plan his weeks better than he does.'),
  caspian('tides', 'Exact, and kind to those who are not yet.'),
  caspian('seeds', 'His seed log is full of things I had not seen. On time next quarter.'),
  caspian('ferries', 'Quick, and explains without being asked.'),
  caspian('history', 'Speaks like a historian, writes like a telegram.'),
  caspian('spanish', 'She knows the words. Now let’s hear them.'),
  pet('reading', 'Pet reads aloud so that the whole room listens.'),
  pet('number', 'Sure with the tables of 2, 5 and 10; 3 is on its way.'),
  pet('island', 'Looks long before she draws.'),
  pet('making', 'Plans on paper first, and mends without tears.'),
];
