import { at } from './calendar';

/*
 * What the weekly round does not give: the difficulties of the story. Days are the schools' own, times local.
 */
export interface SpecialItem {
  readonly school: string;
  readonly course: string;
  readonly key: string;
  readonly categoryId: string;
  readonly title: string;
  readonly kind: string;
  readonly possible: number;
  readonly multiplier?: number;
  readonly assignedAt: string;
  readonly dueAt: string;
  readonly undated?: true;
  readonly extraCredit?: true;
  readonly counts?: false;
  readonly acceptedUntil?: string;
  readonly redo?: 'yes' | 'no' | 'ask';
  readonly instructions?: string;
  readonly where?: string;
  readonly supplies?: readonly string[];
  readonly unit?: string;
  /** Sheets the school's own pages hold, by file name. */
  readonly files?: readonly { title: string; href: string }[];
  readonly rubric?: readonly {
    id: string;
    title: string;
    levels: readonly { level: number; text: string }[];
  }[];
  readonly rubricMarks?: readonly {
    student: string;
    at: string;
    marks: readonly { criterionId: string; level: number }[];
  }[];
  /** Put up by mistake and taken back. */
  readonly removedAt?: string;
  readonly results: Readonly<Record<string, readonly SpecialResult[]>>;
  /** What the classroom itself knows, where it is ahead of the gradebook or says otherwise. */
  readonly handIns?: readonly {
    student: string;
    at: string;
    state: 'handed-in' | 'marked';
    earned?: number;
  }[];
}
export interface SpecialResult {
  readonly at: string;
  readonly status: 'exempt' | 'fully graded' | 'not submitted' | 'partially graded' | 'submitted';
  readonly score?: number;
  readonly text?: string;
  readonly missing?: true;
  readonly incomplete?: true;
  readonly late?: true;
}

/** A rubric of three levels: id, title, then what 1, 2 and 3 look like. */
const criteria = (
  ...rows: readonly (readonly [id: string, title: string, one: string, two: string, three: string])[]
) =>
  rows.map(([id, title, ...texts]) => ({
    id,
    title,
    levels: texts.map((text, index) => ({ level: index + 1, text })),
  }));

export const keelModel = {
  school: 'millrace',
  course: 'boats',
  key: 'keel-model',
  student: 'caspian',
} as const;

export const specialItems: readonly SpecialItem[] = [
  {
    school: 'millrace',
    course: 'boats',
    key: 'keel-model',
    categoryId: 'assess',
    title: 'Keel model',
    kind: 'project',
    possible: 20,
    multiplier: 3,
    assignedAt: at('2026-09-28', '08:40'),
    dueAt: at('2026-10-12', '23:59'),
    acceptedUntil: at('2026-10-27', '23:59'),
    redo: 'ask',
    where: 'On paper and in wood, in the boat shed',
    instructions:
      'Build a keel to a scale of one to ten from the plan we drew. Hand in the model with a sheet that gives its lengths, the wood, and one thing you changed. It counts three times.',
    supplies: ['a strip of pine, 40 cm', 'wood glue', 'fine sandpaper'],
    unit: 'Ribs and frames',
    files: [{ title: 'Plan of the keel, one to ten', href: 'files/keel-plan.txt' }],
    rubric: criteria(
      ['scale', 'To scale', 'Some lengths fit', 'All lengths fit', 'All fit, and the sheet shows how'],
      ['joints', 'Joints', 'Hold with help', 'Hold', 'Hold and are flush'],
      ['sheet', 'The sheet', 'Lengths only', 'Lengths, wood, one change', 'Says why the change was made'],
    ),
    results: { 'neighbour-b': [{ at: at('2026-10-15', '15:20'), status: 'fully graded', score: 15 }] },
  },
  {
    school: 'millrace',
    course: 'seeds',
    key: 'seed-log',
    categoryId: 'assess',
    title: 'Seed log',
    kind: 'project',
    possible: 20,
    assignedAt: at('2026-09-30', '09:00'),
    dueAt: at('2026-10-09', '15:00'),
    redo: 'yes',
    instructions: 'A page for each of five seeds: drawing, where it came from, how it is stored.',
    where: 'Your log, handed in at the glasshouse',
    results: {
      caspian: [
        { at: at('2026-10-13', '14:10'), status: 'not submitted', missing: true },
        { at: at('2026-10-19', '15:05'), status: 'fully graded', score: 17, late: true },
      ],
      'neighbour-b': [{ at: at('2026-10-12', '15:00'), status: 'fully graded', score: 18 }],
    },
  },
  {
    school: 'millrace',
    course: 'history',
    key: 'map-key',
    categoryId: 'assess',
    title: 'Harbour map key',
    kind: 'project',
    possible: 20,
    assignedAt: at('2026-10-01', '09:00'),
    dueAt: at('2026-10-13', '15:00'),
    redo: 'yes',
    instructions: 'Ten signs for the old harbour, each with a line on what it stood for.',
    results: {
      caspian: [{ at: at('2026-10-15', '15:30'), status: 'partially graded', incomplete: true }],
      'neighbour-b': [{ at: at('2026-10-15', '15:30'), status: 'fully graded', score: 14 }],
    },
  },
  {
    school: 'millrace',
    course: 'spanish',
    key: 'first-test',
    categoryId: 'tests',
    title: 'First test',
    kind: 'test',
    possible: 40,
    assignedAt: at('2026-10-19', '08:40'),
    dueAt: at('2026-10-28', '11:00'),
    redo: 'no',
    instructions: 'Greetings to food. The practice so far is what the test asks for.',
    results: {},
  },
  {
    school: 'millrace',
    course: 'boats',
    key: 'agenda-7',
    categoryId: 'practice',
    title: 'Week 7 in the shed',
    kind: 'agenda',
    possible: 0,
    counts: false,
    undated: true,
    assignedAt: at('2026-10-19', '08:00'),
    dueAt: at('2026-10-23', '15:00'),
    instructions: 'Monday fairing, Wednesday planes and spokeshaves, Friday the check.',
    results: {},
  },
  {
    school: 'millrace',
    course: 'ferries',
    key: 'crossing-card',
    categoryId: 'practice',
    title: 'Crossing card',
    kind: 'practice',
    possible: 4,
    assignedAt: at('2026-10-15', '09:00'),
    dueAt: at('2026-10-19', '15:00'),
    redo: 'yes',
    instructions: 'Every crossing of one day on one card, with the water it needs.',
    where: 'Photographed into the classroom system',
    // Handed in that evening; the gradebook was closed before it looked there.
    results: {
      caspian: [
        { at: at('2026-10-20', '08:10'), status: 'not submitted', missing: true },
        { at: at('2026-10-22', '15:20'), status: 'fully graded', score: 3, late: true },
      ],
      'neighbour-b': [{ at: at('2026-10-20', '08:10'), status: 'fully graded', score: 3 }],
    },
    handIns: [{ student: 'caspian', at: at('2026-10-19', '20:25'), state: 'handed-in' }],
  },
  {
    school: 'gannet-head',
    course: 'letters',
    key: 'reading-card',
    categoryId: 'home',
    title: 'Reading card, chapter 5',
    kind: 'reading',
    possible: 10,
    assignedAt: at('2026-10-15', '13:00'),
    dueAt: at('2026-10-19', '23:59'),
    instructions: 'One side: who tells it, to whom, and one line worth keeping.',
    where: 'Uploaded in the classroom system',
    // Marked in the classroom the next day, in the gradebook a day later.
    results: { isolde: [{ at: at('2026-10-22', '16:00'), status: 'fully graded', score: 9 }] },
    handIns: [
      { student: 'isolde', at: at('2026-10-19', '21:40'), state: 'handed-in' },
      { student: 'isolde', at: at('2026-10-20', '16:30'), state: 'marked', earned: 9 },
    ],
  },
  {
    school: 'gannet-head',
    course: 'tides',
    key: 'log-4',
    categoryId: 'tests',
    title: 'Log of tides, entry 4',
    kind: 'paper',
    possible: 20,
    assignedAt: at('2026-09-28', '09:50'),
    dueAt: at('2026-10-09', '23:59'),
    redo: 'ask',
    instructions: 'Seven days at the gauge, morning and evening, with the table’s figure beside yours.',
    results: {
      isolde: [{ at: at('2026-10-14', '16:00'), status: 'fully graded', score: 0 }],
      'neighbour-a': [{ at: at('2026-10-14', '16:00'), status: 'fully graded', score: 15 }],
    },
  },
  {
    school: 'gannet-head',
    course: 'history',
    key: 'source-letter',
    categoryId: 'tests',
    title: 'Source letter',
    kind: 'paper',
    possible: 20,
    assignedAt: at('2026-09-29', '12:00'),
    dueAt: at('2026-10-08', '23:59'),
    redo: 'ask',
    instructions: 'Two pages on one letter from the archive: who wrote it, to whom, what it leaves out.',
    where: 'Uploaded in the classroom system',
    unit: 'Lighthouse keepers',
    rubric: criteria(
      ['source', 'The source', 'Named', 'Named, with who wrote it and when', 'Says what it leaves out'],
      ['voice', 'Own words', 'Retells', 'Retells and judges', 'Judges with a reason from the letter'],
    ),
    rubricMarks: [
      {
        student: 'isolde',
        at: at('2026-10-13', '13:00'),
        marks: [
          { criterionId: 'source', level: 1 },
          { criterionId: 'voice', level: 1 },
        ],
      },
    ],
    results: {
      isolde: [{ at: at('2026-10-13', '13:00'), status: 'fully graded', score: 10, text: 'submitted' }],
      'neighbour-a': [{ at: at('2026-10-13', '13:00'), status: 'fully graded', score: 13 }],
    },
  },
  {
    school: 'gannet-head',
    course: 'kelp',
    key: 'titration',
    categoryId: 'tests',
    title: 'Titration quiz',
    kind: 'quiz',
    possible: 40,
    assignedAt: at('2026-10-12', '08:40'),
    dueAt: at('2026-10-15', '09:30'),
    redo: 'yes',
    instructions: 'Reading a burette, and one full titration on paper.',
    results: {
      isolde: [{ at: at('2026-10-16', '15:00'), status: 'fully graded', score: 24 }],
      'neighbour-a': [{ at: at('2026-10-16', '15:00'), status: 'fully graded', score: 30 }],
    },
  },
  {
    school: 'gannet-head',
    course: 'kelp',
    key: 'reef-survey',
    categoryId: 'home',
    title: 'Reef survey',
    kind: 'field work',
    possible: 20,
    assignedAt: at('2026-09-30', '08:40'),
    dueAt: at('2026-10-09', '23:59'),
    redo: 'yes',
    instructions: 'Count along one line of the reef at low water and draw the table of what you found.',
    supplies: ['boots', 'a clipboard', 'the class tape measure, to be borrowed'],
    results: {
      isolde: [{ at: at('2026-10-12', '15:40'), status: 'not submitted', missing: true }],
      'neighbour-a': [{ at: at('2026-10-12', '15:40'), status: 'fully graded', score: 16 }],
    },
  },
  {
    school: 'gannet-head',
    course: 'optics',
    key: 'lamp-essay',
    categoryId: 'tests',
    title: 'Essay on lamps',
    kind: 'paper',
    possible: 30,
    assignedAt: at('2026-09-28', '10:00'),
    dueAt: at('2026-10-09', '23:59'),
    instructions: 'Three pages: from whale oil to the stepped lens. Two sources.',
    where: 'Uploaded in the classroom system',
    results: { isolde: [{ at: at('2026-10-09', '21:12'), status: 'submitted' }] },
  },
  {
    school: 'gannet-head',
    course: 'optics',
    key: 'lens-sketches',
    categoryId: 'notes',
    title: 'Lens sketchbook',
    kind: 'notebook',
    possible: 10,
    undated: true,
    assignedAt: at('2026-09-21', '10:00'),
    dueAt: at('2026-11-06', '15:00'),
    instructions: 'Keep it up all term. I look at it when you show it to me.',
    results: {},
  },
  {
    school: 'gannet-head',
    course: 'optics',
    key: 'fog-horn',
    categoryId: 'tests',
    title: 'Fog horn model',
    kind: 'extra',
    possible: 5,
    extraCredit: true,
    assignedAt: at('2026-09-21', '10:00'),
    dueAt: at('2026-10-02', '15:00'),
    instructions: 'For those who like building. Adds, never takes away.',
    results: { isolde: [{ at: at('2026-10-06', '15:00'), status: 'fully graded', score: 4 }] },
  },
  {
    school: 'gannet-head',
    course: 'letters',
    key: 'storm-diary',
    categoryId: 'tests',
    title: 'Storm diary',
    kind: 'paper',
    possible: 20,
    assignedAt: at('2026-10-12', '13:00'),
    dueAt: at('2026-10-16', '23:59'),
    instructions: 'Three entries in the voice of the keeper.',
    results: {
      isolde: [{ at: at('2026-10-19', '15:00'), status: 'exempt', text: 'excused, unwell on the 16th' }],
    },
  },
  {
    school: 'gannet-head',
    course: 'rowing',
    key: 'old-paper',
    categoryId: 'tests',
    title: 'Practice paper of last year',
    kind: 'paper',
    possible: 20,
    assignedAt: at('2026-10-08', '14:00'),
    dueAt: at('2026-10-14', '23:59'),
    removedAt: at('2026-10-19', '09:00'),
    results: {},
  },
];
