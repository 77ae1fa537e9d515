import { Simulation } from '../simulation';
import { opensAt, schools } from '.';
import { pastCourses, storedParts } from './schools/pastYear';
import { compositionsOf, quarterId, semesterId, sessionsOf, thisQuarter, yearId } from './days/sessions';

const simulation = new Simulation(null);
const records = (school: string) => {
  const found = simulation.records.get(school);
  if (!found) throw new Error(`no school ${school}`);
  return found;
};

describe('the years of the schools', () => {
  it.each([true, false])(
    'have their quarters inside them, one after the other (semesters: %s)',
    (semesters) => {
      const sessions = sessionsOf(semesters);
      const byId = new Map(sessions.map((session) => [session.id, session]));
      for (const { id, parent, from, to } of sessions) {
        expect(from < to).toBe(true);
        const above = parent ? byId.get(parent) : undefined;
        expect({ id, above: above !== undefined }).toEqual({ id, above: parent !== undefined });
        if (above) expect(above.from <= from && to <= above.to).toBe(true);
      }
      const quarters = [1, 2, 3, 4].map((quarter) => byId.get(quarterId('2026', quarter)));
      quarters.slice(1).forEach((quarter, index) => {
        expect((quarters[index]?.to ?? '') < (quarter?.from ?? '')).toBe(true);
      });
    },
  );

  it.each([true, false])('are composed of parts that weigh 100 together (semesters: %s)', (semesters) => {
    for (const { parts } of compositionsOf('2026', semesters)) {
      expect(parts.reduce((sum, { weight }) => sum + weight, 0)).toBe(100);
    }
  });
});

describe('what the schools say of their courses themselves', () => {
  it('is there for every course with points on the first evening, and nothing is final yet', () => {
    for (const { id, courses, students } of schools) {
      const marked = courses.filter(
        ({ policy, categories }) =>
          policy.method !== 'standards' && categories.some(({ practice }) => !practice),
      );
      const running = records(id)
        .current('grades', opensAt)
        .filter(({ row }) => row['part'] === thisQuarter);
      expect(running.every(({ row }) => row['state'] === 'running')).toBe(true);
      // First Spanish has no test yet: the office has nothing to print.
      const silent = marked.filter(({ id: course }) => course === 'spanish' && id === 'millrace').length;
      expect(running).toHaveLength((marked.length - silent) * students.length);
    }
  });

  it('is final after the quarter, one course later than the others', () => {
    const finals = (when: string) =>
      records('gannet-head')
        .current('grades', when)
        .filter(
          ({ row }) =>
            row['part'] === thisQuarter && row['state'] === 'final' && row['studentId'] === 'isolde',
        )
        .map(({ row }) => row['classId']);
    expect(finals('2026-11-10T15:59:00.000Z')).toEqual([]);
    expect(finals('2026-11-10T16:00:00.000Z')).toHaveLength(6);
    expect(finals('2026-11-13T16:00:00.000Z')).toContain('letters');
  });

  it('is what the office’s own rules make of the marks: a floor lifts, extra credit adds, the rest is weighed', () => {
    const optics = records('gannet-head')
      .current('grades', opensAt)
      .find(
        ({ row }) =>
          row['classId'] === 'optics' && row['studentId'] === 'isolde' && row['part'] === thisQuarter,
      );
    expect(optics?.row).toMatchObject({ letter: 'A', state: 'running' });
    expect(Number(optics?.row['figure'])).toBeCloseTo(Number(optics?.row['fraction']) * 100, 1);
  });
});

describe('last year', () => {
  it.each(Object.values(pastCourses).flat())('$title is stored with parts that make its whole', (course) => {
    const parts = new Map(storedParts(course).map(({ part, fraction }) => [part, fraction]));
    const whole = parts.get(yearId('2025')) ?? NaN;
    for (const { sessionId, parts: formula } of compositionsOf('2025', course.exams !== undefined)) {
      const made =
        formula.reduce((sum, { part, weight }) => sum + weight * (parts.get(part) ?? NaN), 0) / 100;
      expect(parts.get(sessionId)).toBeCloseTo(made, 9);
    }
    expect(whole).toBeGreaterThan(0.5);
    expect(parts.has(semesterId('2025', 1))).toBe(course.exams !== undefined);
  });
});
