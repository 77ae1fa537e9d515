/*
 * What two runs of the same plan must agree in, as lines that bear no ids of one database. The clock of the demo stands
 * still within a round, so that instants agree, too.
 */

/** Ids that were drawn at random are all one. */
const plain = (expression) =>
  `regexp_replace(${expression}::text, '[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}', '#', 'g')`;

const figures = (
  more,
) => `select s.external_id as child, c.external_id as course, f.as_of, ${plain('f.figures')} as figures,
  ${plain('f.standing')} as standing ${more}
  from current_figures f join students s on s.id = f.student_id join courses c on c.id = f.course_id`;

const questions = {
  results: `select s.external_id as child, i.external_id as work, r.at, r.status, r.earned, r.late, r.known_at
    from results r join students s on s.id = r.student_id join items i on i.id = r.item_id`,
  histories: `select s.external_id as child, l.kind, c.external_id as course, i.external_id as work,
    ${plain('l.before')} as before, ${plain('l.after')} as after
    from change_log l join students s on s.id = l.student_id
    left join courses c on c.id = l.course_id left join items i on i.id = l.item_id`,
  comments: `select s.external_id as child, m.external_id as comment, m.text
    from comments m join students s on s.id = m.student_id`,
  attendance: `select s.external_id as child, a.on_date, a.period, a.code
    from attendance_marks a join students s on s.id = a.student_id`,
  // What moved them is in the order of ids where it is of one instant: that is compared with the rebuilt ones alone.
  figures: figures(''),
  alerts: `select g.email, a.kind, a.episode, s.external_id as child, c.external_id as course, ${plain('a.key')} as key,
    ${plain('a.reasons')} as reasons, a.raised_at, a.told_at, a.news_at, a.over_at, a.state, ${plain('a.titled')} as titled
    from alerts a join guardians g on g.id = a.guardian_id
    left join students s on s.id = a.student_id left join courses c on c.id = a.course_id`,
  mails: `select g.email, d.channel, d.about, d.state, ${plain('d.told')} as told, ${plain('a.key')} as key, ${plain('a.titled')} as titled
    from deliveries d join guardians g on g.id = d.guardian_id
    left join alerts a on a.guardian_id = d.guardian_id and a.id = d.alert_id`,
  letters: `select s.external_id as child, m.from_teacher, m.author, m.subject, m.text, m.state, m.automatic
    from messages m join students s on s.id = m.student_id`,
  'follow-ups': `select s.external_id as child, f.title, f.step, e.kind, e.author, e.step as to_step, e.text
    from followups f join students s on s.id = f.student_id join followup_entries e on e.followup_id = f.id`,
  entries: 'select title, kind, on_date from calendar_entries where removed_at is null',
};

/** Which of two works of one instant is counted first goes by ids that are drawn: that moves the last digits of a sum. */
const rounded = (text) => text.replace(/-?\d+\.\d{7,}(?=[,}\]])/g, (number) => Number(number).toFixed(6));
const lines = async (place, question) => (await place.rows(question)).map((row) => rounded(row.join(' · ')));

/** All that is compared, by its name. */
export async function stateOf(place) {
  const state = {};
  for (const [name, question] of Object.entries(questions)) state[name] = await lines(place, question);
  const { letters } = await place.school('/demo/letters');
  const { arrivals } = await place.school('/demo/arrivals');
  state['letters that arrived'] = letters.map(({ to, subject, text }) => [to, subject, text].join(' · '));
  state['mails that arrived'] = arrivals.map(({ channel, to, subject }) =>
    [channel, to, subject].join(' · '),
  );
  return state;
}

export const figuresOf = (place) => lines(place, figures(', f.moved, f.ended'));

/** What was acknowledged, and how often it is there. */
export async function writesOf(place) {
  const { letters } = await place.school('/demo/letters');
  return [
    ...(await lines(place, `select 'letter', text from messages where not from_teacher`)),
    ...(await lines(place, `select 'entry', title from calendar_entries where removed_at is null`)),
    ...(await lines(place, `select 'follow-up', title from followups`)),
    ...(await lines(place, `select 'note', text from followup_entries where kind = 'note'`)),
    ...letters.map(({ text }) => `arrived · ${text.trim()}`),
  ];
}

/**
 * What has come to no end though nothing works at it any more. Of jobs, those that were given up: one that is merely waiting
 * here is of the minute that has just begun, as each minute puts some down.
 */
export const stuckOf = async (place) => [
  ...(await lines(
    place,
    `select 'job', task_identifier, attempts, last_error from graphile_worker.jobs where attempts >= max_attempts`,
  )),
  ...(await lines(place, `select 'figures of', student_id from figures_wanted`)),
  ...(await lines(
    place,
    `select 'letter', state, text from messages where state not in ('sent', 'received')`,
  )),
  ...(await lines(place, `select 'source', name, last_error from sources where last_error is not null`)),
];
