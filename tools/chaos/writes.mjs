import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import { Person } from './place.mjs';

const nth = (all, pick) => all[pick % all.length];

/** What a person knows before they begin to write. */
async function knowledgeOf(person) {
  const { children } = await person.asks({ method: 'GET', path: '/api/me' });
  const known = [];
  for (const { id } of children) {
    const { teachers } = await person.asks({ method: 'GET', path: `/api/students/${id}/teachers` });
    known.push({
      studentId: id,
      // Letters to teachers are brought: a desk whose box is closed has them come back, undisturbed or not.
      teachers: teachers.filter(({ kind, contactable }) => kind === 'teacher' && contactable).sort(byName),
    });
  }
  return known.filter(({ teachers }) => teachers.length > 0);
}
const byName = (a, b) => (a.name < b.name ? -1 : 1);

/** How each kind of write is asked for; `last` is what the person's last follow-up was answered with. */
const askOf = {
  letter: ({ child, pick, says }) => {
    const teacherId = nth(child.teachers, pick).id;
    const body = { studentId: child.studentId, teacherId, subject: 'A word', text: says };
    return { method: 'POST', path: '/api/messages', body };
  },
  entry: ({ says }) => {
    const body = { kind: 'note', title: says, studentIds: [], shared: true, on: '2026-12-01' };
    return { method: 'POST', path: '/api/entries', body };
  },
  'follow-up': ({ child, says }) => {
    const body = { studentId: child.studentId, topic: 'other', title: says };
    return { method: 'POST', path: '/api/followups', body };
  },
  note: ({ says, last }) => {
    const body = { version: last.version, note: says };
    return { method: 'PATCH', path: `/api/followups/${last.id}`, body };
  },
};

/** A guardian who writes through a run, and remembers what was acknowledged. */
export class Writer {
  /** Of each kind what was answered as done. */
  acknowledged = [];
  /** What was answered with something that asking again does not change, or never. */
  unanswered = [];

  static async at(place, name) {
    const writer = new Writer();
    writer.person = await new Person(place, name).signIn();
    writer.known = await knowledgeOf(writer.person);
    return writer;
  }

  async writes(all) {
    for (const write of all) {
      await wait(write.pauseMs);
      await this.write(write);
    }
  }

  async write({ kind: drawn, pick, says, twice }) {
    // Nobody notes anything on what they have not begun.
    const kind = drawn === 'note' && !this.last ? 'follow-up' : drawn;
    const asked = askOf[kind]({ child: nth(this.known, pick), pick, says, last: this.last });
    try {
      const answer = await this.person.asks({ ...asked, twice, key: randomUUID() });
      this.acknowledged.push({ kind, says });
      if (kind === 'follow-up' || kind === 'note') this.last = answer;
    } catch (error) {
      this.unanswered.push(`${says}: ${error.message}`);
    }
  }
}
