import { aldervanes, fileOf } from './aldervanes';
import type { CourseSpec, SchoolSpec, WeeklySpec } from './specs';

const policy: CourseSpec['policy'] = {
  method: 'standards',
  outOf: 4,
  decimals: 1,
  standards: { rule: 'latest', share: 0.65, top: 4, metAt: 3 },
};
const categories = [
  { id: 'doing', title: 'Doing', weight: 1 },
  { id: 'showing', title: 'Showing', weight: 1 },
];
/** Evidence for the first two standards in the first weeks; the others come later in the year. */
const tasks = (standards: readonly { id: string }[]): WeeklySpec[] => [
  {
    key: 'task',
    categoryId: 'doing',
    kind: 'task',
    possible: 4,
    assigned: 0,
    due: 2,
    dueAt: '14:30',
    title: (topic) => `${topic}: try it`,
    instructions: (topic) => `Done together in class: ${topic.toLowerCase()}.`,
    standardId: (week) => standards[week % 2]?.id ?? null,
  },
  {
    key: 'show',
    categoryId: 'showing',
    kind: 'show',
    possible: 4,
    assigned: 2,
    due: 4,
    dueAt: '14:30',
    title: (topic) => `${topic}: show it`,
    instructions: () => 'Shown to the teacher, one by one.',
    standardId: (week) => (week % 3 === 2 ? (standards[2]?.id ?? null) : (standards[week % 2]?.id ?? null)),
  },
];
const even = (start: number) => ({ start, perWeek: 0.01, scatter: 0.22 });

function course(
  id: string,
  title: string,
  period: string,
  teacher: CourseSpec['teacher'],
  standards: CourseSpec['standards'],
  topics: readonly string[],
  start: number,
): CourseSpec {
  return {
    id,
    title,
    period,
    room: 'Shell room',
    policy,
    categories,
    teacher,
    standards: standards ?? [],
    topics,
    weekly: tasks(standards ?? []),
    course: { pet: even(start), 'neighbour-c': even(0.7) },
  };
}
const classTeacher = { givenName: 'Dilys', familyName: 'Cockleford', mail: true };

const courses: CourseSpec[] = [
  course(
    'reading',
    'Reading by lamplight',
    '1',
    classTeacher,
    [
      { id: 'read-aloud', title: 'Reads aloud so that others can follow' },
      { id: 'read-retell', title: 'Retells a story in order' },
      { id: 'read-guess', title: 'Guesses a word from the sentence around it' },
      { id: 'read-choose', title: 'Chooses a book and says why' },
    ],
    [
      'The keeper’s cat',
      'Storm on the quay',
      'Letters in a bottle',
      'The lost lamb',
      'Two ferries',
      'The whale bone',
      'Grandmother’s map',
      'Fog',
      'The lantern',
      'The snow ferry',
      'A recipe',
      'The lost glove',
      'Wishes',
    ],
    0.68,
  ),
  course(
    'number',
    'Number and shore',
    '2',
    classTeacher,
    [
      { id: 'num-hundreds', title: 'Adds and takes away up to 1,000' },
      { id: 'num-times', title: 'Knows the tables of 2, 3, 5 and 10' },
      { id: 'num-scale', title: 'Reads a scale drawing' },
      { id: 'num-time', title: 'Tells the time to the minute' },
    ],
    [
      'Counting shells',
      'Ropes and lengths',
      'Sharing fish',
      'Buckets',
      'The harbour plan',
      'Ferry minutes',
      'Tallies',
      'Halves and quarters',
      'Shop by the sea',
      'Maps by squares',
      'Weights',
      'Calendars',
      'Patterns',
    ],
    0.62,
  ),
  course(
    'island',
    'Island and sea',
    '3',
    { givenName: 'Owen', familyName: 'Driftwell', mail: true },
    [
      { id: 'isl-observe', title: 'Looks closely and draws what is there' },
      { id: 'isl-ask', title: 'Asks a question that can be tested' },
      { id: 'isl-living', title: 'Sorts living things by a rule' },
      { id: 'isl-weather', title: 'Keeps a weather record' },
    ],
    [
      'Rock pools',
      'Limpets',
      'Kelp',
      'Gulls',
      'Wind',
      'Waves',
      'Sand',
      'Seals',
      'Night sky',
      'Fog',
      'Driftwood',
      'Otters',
      'Frost',
    ],
    0.72,
  ),
  course(
    'making',
    'Making things',
    '4',
    { givenName: 'Owen', familyName: 'Driftwell', mail: true },
    [
      { id: 'mak-plan', title: 'Plans before making' },
      { id: 'mak-join', title: 'Joins materials so that they hold' },
      { id: 'mak-mend', title: 'Mends what did not work' },
      { id: 'mak-tell', title: 'Tells how it was made' },
    ],
    [
      'Paper boats',
      'Knots',
      'Clay lamps',
      'Kites',
      'Nets',
      'Shell chimes',
      'Rafts',
      'Flags',
      'Puppets',
      'Lanterns',
      'Weaving',
      'A toy boat',
      'Gifts',
    ],
    0.66,
  ),
];

/** Pet's school: standards only, most of them not assessed yet. */
export const littleFathom: SchoolSpec = {
  id: 'little-fathom',
  name: 'Little Fathom Primary',
  students: [
    {
      id: 'pet',
      givenName: 'Perpetua',
      called: 'Pet',
      familyName: 'Aldervane',
      year: '3',
      file: fileOf('2018-09-30'),
    },
    { id: 'neighbour-c', givenName: 'Odo', familyName: 'Oysterly', year: '3' },
  ],
  agents: aldervanes,
  courses,
  semesters: false,
  rotation: [''],
  marks: 'days',
  attendanceDesk: { name: 'School office, Little Fathom', mail: 'office@little-fathom.example' },
  announcements: [
    {
      on: '2026-10-16',
      title: 'Rock pool morning',
      text: 'We’re going to the rock pools on Wednesday, November 4. Please send boots and a spare pair of socks. The permission slip must be signed and returned by Wednesday, October 28.',
    },
    {
      on: '2026-10-19',
      title: 'Picture retake',
      text: 'Pet blinked in every picture. Retakes are on Tuesday, October 27, at 9 a.m.',
      student: 'pet',
    },
  ],
};
