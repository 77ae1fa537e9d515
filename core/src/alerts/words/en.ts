import type { AlertWork, FigureReason, LooseEndKind, WorkReason } from '@cadro/contract';
import { assertNever, counted, onScale, shows } from './formats';
import type { AlertWords, Sentences, Told } from './words';

const kinds: Record<LooseEndKind, string> = {
  missing: 'missing',
  incomplete: 'incomplete',
  overdue: 'overdue, nobody has marked it',
  zero: 'scored 0',
  'at-floor': 'at the lowest score there is',
  unmarked: 'handed in, not marked',
};
/** What it was, of work that is settled. */
const settled: Record<LooseEndKind, string> = { ...kinds, overdue: 'overdue', unmarked: 'not marked' };

function figure(reason: FigureReason, { formats, courseTitle }: Told): Sentences {
  const say = (value: number) => onScale(formats, value, reason, 'of');
  const { before, since, now, limit, ifLeft, perWeek, letterBefore, letterNow, moved } = reason;
  const course = courseTitle;
  const path =
    before === null || since === null || say(before) === say(now)
      ? [`${say(now)} now.`]
      : [`${say(before)} on ${formats.day(since)}, ${say(now)} now.`];
  const movers = moved
    .filter(({ delta }) => shows(delta, reason))
    .map(({ title, delta }) => `${title} (${delta > 0 ? '+' : '−'}${say(Math.abs(delta))})`);
  const facts = movers.length > 0 ? [...path, `What moved it most: ${formats.list(movers)}.`] : path;
  const see = 'Open the course and look at what moved it.';
  switch (reason.rule) {
    case 'below':
      return {
        headline: `${course} is at ${say(now)}, below ${say(limit ?? now)}`,
        facts,
        rule: `You are told when a figure is below ${say(limit ?? now)}.`,
        next: see,
      };
    case 'fallen':
      return {
        headline: `${course} fell from ${say(before ?? now)} to ${say(now)}`,
        facts,
        rule: 'You are told when a figure falls by much within days.',
        next: see,
      };
    case 'letter-step':
      return {
        headline: `${course} went from ${letterBefore ?? ''} to ${letterNow ?? 'below every letter'}`,
        facts,
        rule: 'You are told when a figure comes down to a lower letter.',
        next: see,
      };
    case 'slipping':
      return {
        headline: `${course} is slipping, by about ${say(Math.abs(perWeek ?? 0))} a week`,
        facts,
        rule: 'You are told when a figure goes down for weeks.',
        next: 'Talk it over, and look at which kind of work it is.',
      };
    case 'if-left':
      return {
        headline: `${course} shows ${say(now)}, and would be ${say(ifLeft ?? now)} if left`,
        facts: [...facts, 'Work that nobody has marked lies under it and does not count yet.'],
        rule: `You are told when a figure would fall below ${say(limit ?? now)} if nothing more came in.`,
        next: 'See which work it is, and ask whether it was handed in.',
      };
    case 'improved':
      return {
        headline: `${course} rose from ${say(before ?? now)} to ${say(now)}`,
        facts,
        rule: 'You are told when a figure rises by much within days.',
        next: 'Say so at home.',
      };
    default:
      return assertNever(reason.rule);
  }
}

const marked = ({ earned, possible }: AlertWork): string =>
  earned === null ? 'not marked yet' : `${earned} of ${possible}`;

function work(reason: WorkReason, { formats, courseTitle }: Told): Sentences {
  const { title, kind, was, dueAt, deadline, credit, impact } = reason.work;
  const gain = impact === null ? null : onScale(formats, impact, reason, 'of');
  const due = dueAt ? [`${courseTitle}, due ${formats.moment(dueAt)}.`] : [`${courseTitle}, no due date.`];
  const worth = gain === null ? [] : [`Made up, it would bring ${courseTitle} up by ${gain}.`];
  const share = credit === null || credit >= 1 ? '' : ` for ${Math.round(credit * 100)} % of its score`;
  const until = deadline ? [`Taken until ${formats.day(deadline)}${share}.`] : [];
  switch (reason.rule) {
    case 'loose-end':
      return {
        headline: `${title}: ${kind ? kinds[kind] : 'open'}`,
        facts: [...due, ...worth, ...until],
        rule: 'You are told of new loose ends.',
        next: 'Ask whether it was handed in.',
      };
    case 'deadline':
      return {
        headline: `${title} can be mended until ${deadline ? formats.day(deadline) : ''}`,
        facts: [...due, ...worth, ...until],
        rule: 'You are told when the last day to mend something is near.',
        next: 'Find an evening for it before then.',
      };
    case 'sent-back':
      return {
        headline: `${title} is to be done again`,
        facts: [`Sent back on ${formats.day(reason.at)}.`, ...due],
        rule: 'You are told when work is sent back.',
        next: 'Read what the teacher wrote about it.',
      };
    case 'unmarked':
      return {
        headline: `${title}: handed in on ${formats.day(reason.at)}, not marked yet`,
        facts: [...due],
        rule: 'You are told when handed-in work stays unmarked for long.',
        next: 'Wait, or ask the teacher whether it has arrived.',
      };
    case 'big-work':
      return {
        headline: `${title} is due ${dueAt ? formats.day(dueAt) : ''}`,
        facts: [...due, ...(gain === null ? [] : [`It decides ${gain} of the figure.`])],
        rule: 'You are told when a test or work of weight is near.',
        next: 'Find an evening for it.',
      };
    case 'settled':
      return {
        headline: `${title}: was ${was ? settled[was] : 'open'}, now ${marked(reason.work)}`,
        facts: [`${courseTitle}, marked on ${formats.day(reason.at)}.`],
        rule: 'You are told when a loose end is tied up.',
        next: 'Say so at home.',
      };
    default:
      return assertNever(reason.rule);
  }
}

/** Alerts in English. */
export const en: AlertWords = {
  language: 'en',
  kinds: {
    figure: 'Figures',
    work: 'Loose ends',
    coming: 'Coming work',
    comment: 'Comments',
    attendance: 'Attendance',
    term: 'Term grades',
    good: 'Good news',
    upkeep: 'Sources and looks',
  },
  rules: {
    below: 'A figure is below',
    fallen: 'A figure has fallen',
    'letter-step': 'A lower letter',
    slipping: 'Going down for weeks',
    'if-left': 'Fine now, low if left',
    'loose-end': 'A new loose end',
    deadline: 'Last days to mend',
    'sent-back': 'Work sent back',
    unmarked: 'Handed in, not marked',
    'big-work': 'A test or big work is near',
    comment: 'A teacher comments',
    unexplained: 'An absence not explained',
    late: 'Late several times',
    pattern: 'A pattern in absences',
    'days-missed': 'Share of days missed',
    'term-final': 'A final figure',
    'report-card': 'A report card',
    improved: 'A figure has risen',
    settled: 'A loose end tied up',
    'source-silent': 'A source is silent',
    'not-looked': 'You have not looked',
  },
  figure,
  work,
  comment: ({ author, itemTitle, subject, text, at }, { formats, courseTitle }) => ({
    headline: `${author} wrote about ${itemTitle ?? courseTitle}`,
    facts: [`“${text}”`, `Written ${formats.day(at)}${subject === 'course' ? ', about the course' : ''}.`],
    rule: 'You are told of new comments.',
    next: 'Read it in its place.',
  }),
  attendance: ({ rule, days, lessons, pattern, share }, { formats }) => {
    const on = `On ${formats.list(days.slice(-6).map(formats.date))}.`;
    const which = lessons.length > 0 ? [`Lessons: ${formats.list(lessons)}.`] : [];
    const missed = [on, ...which];
    switch (rule) {
      case 'unexplained':
        return {
          headline: `An absence nobody has explained, ${formats.date(days[0] ?? '')}`,
          facts: which,
          rule: 'You are told of absences that are not explained.',
          next: 'Ask, and tell the school the reason.',
        };
      case 'late':
        return {
          headline: `Late ${days.length === 1 ? 'once' : `${days.length} times`} since ${formats.date(days[0] ?? '')}`,
          facts: missed,
          rule: 'You are told of late arrivals from a number on.',
          next: 'Talk about the way to school and between lessons.',
        };
      case 'pattern':
        return {
          headline:
            pattern?.kind === 'weekday'
              ? `Absences keep falling on ${formats.weekday(Number(pattern.value))}`
              : pattern?.kind === 'period'
                ? `Absences keep falling in period ${pattern.value}`
                : `The last lessons were missed on ${counted(days.length, 'day', 'days')}`,
          facts: missed,
          rule: 'You are told when absences have something in common.',
          next: 'Ask what happens at that time.',
        };
      case 'days-missed':
        return {
          headline: `${share?.missed ?? 0} of ${share?.of ?? 0} school days missed`,
          facts: [on],
          rule: 'You are told when the share of missed days is high.',
          next: 'Look at which work fell on those days.',
        };
      default:
        return assertNever(rule);
    }
  },
  term: ({ rule, term, courseTitle, figure: value, letter, at }, { formats }) =>
    rule === 'term-final'
      ? {
          headline: `${courseTitle ?? ''} is final${letter || value !== null ? `: ${letter ?? value}` : ''}`,
          facts: [`${term}, reported ${formats.day(at)}.`],
          rule: 'You are told when the school stores a figure for good.',
          next: 'Look at the term.',
        }
      : {
          headline: `The report card is there${term ? `: ${term}` : ''}`,
          facts: [`Its first words came on ${formats.day(at)}.`],
          rule: 'You are told when a report card is there.',
          next: 'Read it together.',
        },
  upkeep: ({ rule, since, days, sourceName }, { formats }) =>
    rule === 'source-silent'
      ? {
          headline: `Nothing from ${sourceName} for ${counted(days, 'day', 'days')}`,
          facts: [`Last read ${formats.moment(since)}. What you see is as old as that.`],
          rule: 'You are told when a source is silent for days.',
          next: 'Nothing to do: it is tried again by itself.',
        }
      : {
          headline: `You have not looked for ${counted(days, 'day', 'days')}`,
          facts: [`Your last look was on ${formats.day(since)}.`],
          rule: 'You asked to be reminded to look.',
          next: 'Two minutes on the Brief are enough.',
        },
  manyWorks: (n, courseTitle) => `${n} loose ends in ${courseTitle}`,
  manyFinals: (n, term) => `${n} final figures${term ? ` for ${term}` : ''}`,
  source: (name, at) => `${name}, ${at}`,
};
