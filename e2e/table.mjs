/*
 * Where each browser test runs. Every file has one size and one theme in `npm test`; `npm run test:rest` runs it at the
 * others. A test whose tags say otherwise (`@phone`, `@wide`, `@light`, `@dark`) keeps to them; one that is the same
 * however wide the screen is (`@once`) runs at a phone's size alone.
 */

/** @typedef {{ size: 'phone' | 'wide'; theme: 'light' | 'dark' }} Look how a browser test looks at Cadro */
/** @typedef {Look & { screens: readonly string[] }} Row `screens`: the routes in app/src/app/ that the file walks through */

/** @type {Readonly<Record<string, Row>>} */
export const table = {
  'alerts.spec.ts': { size: 'phone', theme: 'dark', screens: ['(in)/alerts'] },
  'beside.spec.ts': {
    size: 'phone',
    theme: 'light',
    screens: [
      '(in)/settings/beside',
      '(in)/courses/[studentId]/table',
      '(in)/courses/[studentId]/[courseId]',
    ],
  },
  'bundle.spec.ts': {
    size: 'phone',
    theme: 'dark',
    screens: ['operator', '(in)/courses/[studentId]/[courseId]'],
  },
  'child.spec.ts': {
    size: 'wide',
    theme: 'light',
    screens: ['(in)/desk', '(in)/talk/from', '(in)/settings/data'],
  },
  'courses.spec.ts': { size: 'wide', theme: 'dark', screens: ['(in)/courses'] },
  'days.spec.ts': { size: 'phone', theme: 'light', screens: ['(in)/days'] },
  'door.spec.ts': {
    size: 'phone',
    theme: 'dark',
    screens: ['sign-in', '(in)/link', '(in)/talk/follow-ups', 'index', '_layout', '(in)/_layout'],
  },
  'files.spec.ts': { size: 'phone', theme: 'light', screens: ['(in)/settings/out', '(in)/settings/data'] },
  'fresh.spec.ts': {
    size: 'phone',
    theme: 'light',
    screens: [
      'new',
      'confirm',
      'forgotten',
      'new-password',
      'operator',
      '(in)/settings/people',
      '(in)/settings/file',
      '(in)/settings/safety',
    ],
  },
  'home.spec.ts': {
    size: 'wide',
    theme: 'light',
    screens: [
      '(in)/talk/follow-ups',
      '(in)/talk/contacts',
      '(in)/talk/write',
      '(in)/talk/notes',
      '(in)/talk/sit-down',
      '(in)/search',
    ],
  },
  'household.spec.ts': {
    size: 'phone',
    theme: 'dark',
    screens: [
      'new',
      'forgotten',
      'new-password',
      '(in)/settings/people',
      '(in)/settings/safety',
      '(in)/settings/trail',
    ],
  },
  'journey.spec.ts': {
    size: 'phone',
    theme: 'light',
    screens: ['(in)/brief', '(in)/courses', '(in)/talk/follow-ups', '(in)/talk/write', '(in)/talk/threads'],
  },
  'keys.spec.ts': {
    size: 'wide',
    theme: 'light',
    screens: ['sign-in', '(in)/brief', '(in)/work', '(in)/days'],
  },
  'meetings.spec.ts': { size: 'wide', theme: 'dark', screens: ['(in)/talk/meetings'] },
  'odd.spec.ts': {
    size: 'phone',
    theme: 'dark',
    screens: ['(in)/brief', '(in)/courses', '(in)/work', '(in)/days'],
  },
  'offline.spec.ts': { size: 'phone', theme: 'light', screens: ['(in)/brief', '(in)/kept', '(in)/courses'] },
  'own.spec.ts': {
    size: 'phone',
    theme: 'dark',
    screens: [
      '(in)/own',
      '(in)/courses/[studentId]/new',
      '(in)/courses/[studentId]/table',
      '(in)/courses/[studentId]/[courseId]/own',
      '(in)/settings/mails',
      '(in)/settings/sources',
      '(in)/days/elsewhere',
    ],
  },
  'push.spec.ts': { size: 'phone', theme: 'light', screens: ['(in)/alerts/delivery', '(in)/alerts/(list)'] },
  'school.spec.ts': { size: 'wide', theme: 'light', screens: ['(in)/brief', '(in)/talk/school'] },
  'screens.spec.ts': { size: 'phone', theme: 'light', screens: ['', '+not-found', 'mail-stop'] },
  'steady.spec.ts': {
    size: 'phone',
    theme: 'dark',
    screens: ['sign-in', '(in)/talk', '_layout', '(in)/_layout'],
  },
  'talk.spec.ts': { size: 'wide', theme: 'dark', screens: ['(in)/talk', '(in)/settings/index'] },
  'trees.spec.ts': {
    size: 'phone',
    theme: 'light',
    screens: ['(in)/brief', '(in)/courses', '(in)/work', '(in)/days', '(in)/talk', '(in)/alerts'],
  },
  'unreached.spec.ts': { size: 'phone', theme: 'dark', screens: ['(in)/brief', '(in)/settings/index'] },
  'week.spec.ts': { size: 'phone', theme: 'dark', screens: ['(in)/talk', '(in)/brief', '(in)/desk'] },
  'work.spec.ts': {
    size: 'phone',
    theme: 'light',
    screens: ['(in)/work', '(in)/courses/[studentId]/[courseId]/try', 'shown'],
  },
};

/** How the browser tests can be run: as in `npm test`, at the other size with slow answers, in the other theme. */
export const runs = /** @type {const} */ (['assigned', 'other size', 'other theme']);

const otherSize = { phone: 'wide', wide: 'phone' };
const otherTheme = { light: 'dark', dark: 'light' };

/**
 * How a test looks at Cadro in a run.
 * @param {string} file its name in e2e/src.
 * @param {readonly string[]} tags
 * @param {(typeof runs)[number]} run
 * @returns {Look}
 */
export function lookOf(file, tags, run) {
  const row = table[file];
  if (!row) throw new Error(`${file} has no row in e2e/table.mjs`);
  const once = tags.includes('@once');
  const size = once || tags.includes('@phone') ? 'phone' : tags.includes('@wide') ? 'wide' : row.size;
  const theme = tags.includes('@dark') ? 'dark' : tags.includes('@light') ? 'light' : row.theme;
  return {
    size: run === 'other size' && !once ? otherSize[size] : size,
    theme: run === 'assigned' ? theme : otherTheme[theme],
  };
}
