import type { CommentAbout } from '@cadro/contract';
import { at } from './days/calendar';

/* What teachers wrote, each about one thing. */

export interface SpecialComment {
  readonly school: string;
  readonly course: string;
  readonly item?: string;
  readonly student: string;
  readonly subject: 'score' | 'work' | 'rubric' | 'course' | 'report-card';
  readonly at: string;
  readonly text: string;
  /** One answer, or a place in the handed-in file. */
  readonly about?: CommentAbout;
  /** Spoken words, in a file of the school's. */
  readonly recording?: { readonly href: string; readonly seconds: number; readonly text: string | null };
  /** Where the words are, in another system. */
  readonly elsewhere?: string;
  /** Of the report card: which quarter of the year it is about. */
  readonly quarter?: number;
}

const thread = (school: string, course: string, student: string) => ({ school, course, student });

export const comments: readonly SpecialComment[] = [
  {
    ...thread('millrace', 'boats', 'caspian'),
    item: 'keel-model',
    subject: 'work',
    at: at('2026-10-15', '16:05'),
    text: 'Nothing here yet, Caspian. I’ll take it until October 27 for three-quarters credit.',
  },
  {
    ...thread('millrace', 'boats', 'caspian'),
    subject: 'course',
    at: at('2026-09-29', '15:00'),
    text: 'Careful hands and good questions. His workshop logs are a pleasure to read.',
  },
  {
    ...thread('millrace', 'seeds', 'caspian'),
    item: 'seed-log',
    subject: 'work',
    at: at('2026-10-13', '14:12'),
    text: 'It isn’t in my tray. If you have it, bring it in: I’ll still grade it.',
  },
  {
    ...thread('millrace', 'seeds', 'caspian'),
    item: 'seed-log',
    subject: 'score',
    at: at('2026-10-19', '15:06'),
    text: 'Worth the wait. Lovely drawings of the beans.',
  },
  {
    ...thread('millrace', 'history', 'caspian'),
    item: 'map-key',
    subject: 'work',
    at: at('2026-10-15', '15:31'),
    text: 'Six signs out of ten. Finish the last four and I’ll grade the whole thing.',
  },
  {
    ...thread('millrace', 'ferries', 'caspian'),
    subject: 'course',
    at: at('2026-10-08', '15:00'),
    text: 'Quick and exact. He explains his steps to classmates without being asked.',
  },
  {
    ...thread('gannet-head', 'kelp', 'isolde'),
    item: 'titration',
    subject: 'score',
    at: at('2026-10-19', '16:20'),
    text: 'You may redo the titration quiz until Friday. Look at page 41 first: it was reading the burette, not the math.',
  },
  {
    ...thread('gannet-head', 'kelp', 'isolde'),
    item: 'reef-survey',
    subject: 'work',
    at: at('2026-10-12', '15:41'),
    text: 'I don’t have a survey from you. Half credit until the end of the term.',
  },
  {
    ...thread('gannet-head', 'history', 'isolde'),
    item: 'source-letter',
    subject: 'score',
    at: at('2026-10-13', '13:01'),
    text: 'See the classroom system.',
    elsewhere: 'files/source-letter.txt',
  },
  {
    ...thread('gannet-head', 'rowing', 'isolde'),
    subject: 'course',
    at: at('2026-10-16', '15:30'),
    text: 'Isolde was very strong in the first weeks. Since vectors she’s been quiet. I’d like to see her at Tuesday help hour.',
  },
  {
    ...thread('gannet-head', 'spanish', 'isolde'),
    subject: 'course',
    at: at('2026-10-09', '12:00'),
    text: 'Habla con soltura. A joy to have in class.',
  },
  {
    ...thread('gannet-head', 'optics', 'isolde'),
    item: 'fog-horn',
    subject: 'work',
    at: at('2026-10-06', '15:01'),
    text: 'It can be heard from the quay.',
  },
  {
    ...thread('little-fathom', 'number', 'pet'),
    subject: 'course',
    at: at('2026-10-20', '15:00'),
    text: 'Pet read the harbour plan to the whole class and found the mistake in mine.',
  },
  {
    ...thread('little-fathom', 'reading', 'pet'),
    subject: 'course',
    at: at('2026-10-07', '15:00'),
    text: 'Reads with feeling. Retelling in order comes next.',
  },
  {
    ...thread('gannet-head', 'kelp', 'isolde'),
    item: 'sheet-2',
    subject: 'score',
    at: at('2026-09-21', '16:30'),
    text: 'Every step shown, just as I asked. The second titration line is a small work of art.',
  },
  {
    ...thread('gannet-head', 'kelp', 'isolde'),
    item: 'quiz-3',
    subject: 'score',
    at: at('2026-10-01', '15:40'),
    text: 'You had the iodine balance right, then crossed it out. Trust it next time.',
    about: { kind: 'answer', title: 'Question 4' },
  },
  {
    ...thread('gannet-head', 'kelp', 'isolde'),
    item: 'notes-4',
    subject: 'work',
    at: at('2026-10-05', '12:10'),
    text: 'You have the date but not the weather.',
    about: { kind: 'file', title: 'Notebook.pdf', place: 'page 12' },
  },
  {
    ...thread('gannet-head', 'tides', 'isolde'),
    item: 'quiz-2',
    subject: 'score',
    at: at('2026-09-24', '14:05'),
    text: 'Springs and neaps the right way around. Good.',
  },
  {
    ...thread('gannet-head', 'tides', 'isolde'),
    item: 'notes-3',
    subject: 'work',
    at: at('2026-09-28', '15:20'),
    text: 'A careful page. The lunar day is 24 hours and 50 minutes, not 24 and 15.',
  },
  {
    ...thread('gannet-head', 'tides', 'isolde'),
    subject: 'course',
    at: at('2026-10-02', '15:00'),
    text: 'Steady and exact. She could risk more in discussion.',
  },
  {
    ...thread('gannet-head', 'optics', 'isolde'),
    item: 'quiz-4',
    subject: 'score',
    at: at('2026-10-08', '15:12'),
    text: 'The focal length is right. Watch your units: a lens is in centimeters, not degrees.',
  },
  {
    ...thread('gannet-head', 'optics', 'isolde'),
    item: 'reading-5',
    subject: 'work',
    at: at('2026-10-13', '16:00'),
    text: 'Questions 1 to 4 look good. Question 5 is on the next page; a lot of people missed it.',
    about: { kind: 'answer', title: 'Question 5' },
  },
  {
    ...thread('gannet-head', 'spanish', 'isolde'),
    item: 'sheet-5',
    subject: 'score',
    at: at('2026-10-13', '15:35'),
    text: 'Muy bien. Cuida los acentos en el pretérito.',
  },
  {
    ...thread('gannet-head', 'history', 'isolde'),
    item: 'quiz-2',
    subject: 'score',
    at: at('2026-09-24', '15:00'),
    text: 'A good use of the harbour log as a source.',
  },
  {
    ...thread('gannet-head', 'history', 'isolde'),
    item: 'reading-4',
    subject: 'rubric',
    at: at('2026-10-06', '16:10'),
    text: 'Names the source and says who wrote it; does not yet ask why.',
  },
  {
    ...thread('gannet-head', 'letters', 'isolde'),
    item: 'quiz-3',
    subject: 'score',
    at: at('2026-10-01', '15:05'),
    text: 'The opening of the letter is yours and no one else’s. Keep that voice.',
  },
  {
    ...thread('gannet-head', 'letters', 'isolde'),
    subject: 'course',
    at: at('2026-10-07', '15:00'),
    text: 'She reads more than I ask and writes less than she could. I enjoy her drafts.',
  },
  {
    ...thread('gannet-head', 'rowing', 'isolde'),
    item: 'quiz-2',
    subject: 'score',
    at: at('2026-09-22', '15:45'),
    text: 'Nearly all of it, and every angle named. Well rowed.',
  },
  {
    ...thread('gannet-head', 'rowing', 'isolde'),
    item: 'quiz-5',
    subject: 'score',
    at: at('2026-10-13', '15:45'),
    text: 'The vectors were drawn head to head. See page 63; come to the Tuesday help hour.',
    recording: {
      href: 'files/rowing-quiz-5.wav',
      seconds: 4,
      text: 'Start the second arrow where the first one ends, Isolde. Then the sum is right there.',
    },
  },
  {
    ...thread('millrace', 'boats', 'caspian'),
    item: 'log-3',
    subject: 'work',
    at: at('2026-09-29', '14:20'),
    text: 'He noticed the grain before I pointed it out.',
  },
  {
    ...thread('millrace', 'boats', 'caspian'),
    item: 'check-2',
    subject: 'score',
    at: at('2026-09-22', '14:50'),
    text: 'Cut clean to the line.',
  },
  {
    ...thread('millrace', 'tides', 'caspian'),
    item: 'check-4',
    subject: 'score',
    at: at('2026-10-08', '15:10'),
    text: 'Reads the table without help now.',
  },
  {
    ...thread('millrace', 'seeds', 'caspian'),
    item: 'question-4',
    subject: 'work',
    at: at('2026-10-06', '13:30'),
    text: 'A good question of his own: do seeds sleep through a flood?',
  },
  {
    ...thread('millrace', 'ferries', 'caspian'),
    item: 'check-3',
    subject: 'score',
    at: at('2026-10-01', '15:00'),
    text: 'You found every connection, even the one over the mill pier.',
  },
  {
    ...thread('millrace', 'history', 'caspian'),
    item: 'log-2',
    subject: 'work',
    at: at('2026-09-22', '15:10'),
    text: 'I asked for half a page, and this is four lines. They’re four good lines.',
  },
  {
    ...thread('millrace', 'history', 'caspian'),
    subject: 'course',
    at: at('2026-10-01', '15:00'),
    text: 'Strong when he speaks. On paper he stops early.',
  },
  {
    ...thread('little-fathom', 'island', 'pet'),
    item: 'task-2',
    subject: 'rubric',
    at: at('2026-09-24', '14:40'),
    text: 'Draws what is there. A 4 would show what changed between two looks.',
  },
  {
    ...thread('little-fathom', 'making', 'pet'),
    subject: 'course',
    at: at('2026-10-02', '14:30'),
    text: 'Patient with knots, and with those who cannot tie them yet.',
  },
];
