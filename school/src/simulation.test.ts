import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Simulation } from './simulation';
import { at, opensAt, termEnd } from './story';
import { dayAfter, isSchoolDay, lessonTimes, nextSchoolDay, schoolDays } from './story/days/calendar';

const folder = mkdtempSync(join(tmpdir(), 'cadro-school-'));
afterAll(() => rmSync(folder, { recursive: true }));

describe('the simulation', () => {
  it('keeps over a restart what the family did', () => {
    const file = join(folder, 'state.json');
    const first = new Simulation(file);
    first.moveTo(opensAt);
    first.receive({
      to: 't',
      replyTo: 'r',
      subject: 's',
      text: 'x',
      messageId: '<1>',
      receivedAt: opensAt,
      answeredAt: null,
    });
    first.add('millrace', 'results', 'boats-keel-model-caspian', { score: 17 });
    const again = new Simulation(file);
    expect(again.now).toBe(opensAt);
    expect(again.letters).toEqual(first.letters);
    const row = again.records
      .get('millrace')
      ?.current('results', opensAt)
      .find(({ id }) => id === 'boats-keel-model-caspian');
    expect(row).toMatchObject({ changedAt: opensAt, row: { score: 17 } });
  });

  it('lets things happen as days pass, and takes nothing back that was', () => {
    const { records } = new Simulation(null);
    const marked = (now: string) =>
      [...records.values()]
        .flatMap((each) => each.current('results', now))
        .filter(({ row }) => row['scoreStatus'] === 'fully graded').length;
    const days = ['2026-10-21', '2026-10-22', '2026-10-23', '2026-10-26', '2026-10-30', '2026-11-06'].map(
      (day) => marked(at(day, '17:00')),
    );
    expect(days).toEqual([...days].sort((a, b) => a - b));
    expect(new Set(days).size).toBe(days.length);
  });

  it('never says today what changes tomorrow', () => {
    const { records } = new Simulation(null);
    for (const each of records.values())
      for (const collection of ['results', 'lineItems', 'comments', 'attendance'])
        for (const { changedAt } of each.current(collection, opensAt))
          expect(changedAt <= opensAt).toBe(true);
  });

  it('has a mark for every lesson of every school day so far, and for the day where days are marked', () => {
    const { records } = new Simulation(null);
    const days = schoolDays().filter((day) => at(day, '16:00') <= opensAt);
    const marksOf = (school: string, student: string, closed: string) =>
      records
        .get(school)
        ?.current('attendance', opensAt)
        .filter(({ row }) => row['studentId'] === student && row['code'] !== closed);
    expect(marksOf('gannet-head', 'isolde', 'H')).toHaveLength(days.length * 7);
    // One course at Millrace does not meet on the second day of the rotation.
    const second = days.filter((_day, index) => index % 3 === 1).length;
    expect(marksOf('millrace', 'caspian', 'NS')).toHaveLength(days.length * 6 - second);
    expect(marksOf('little-fathom', 'pet', '-')).toHaveLength(days.length);
  });
});

describe('the island’s calendar', () => {
  it('keeps Atlantic time, also across the change of clocks', () => {
    expect(at('2026-10-12', '23:59')).toBe('2026-10-13T02:59:00.000Z');
    expect(at('2026-10-31', '12:00')).toBe('2026-10-31T15:00:00.000Z');
    expect(at('2026-11-02', '12:00')).toBe('2026-11-02T16:00:00.000Z');
    expect(termEnd).toBe('2026-11-07T03:59:00.000Z');
  });
  it.each([
    ['2026-09-25', '2026-09-28'], // Harbour day, then a weekend
    ['2026-10-24', '2026-10-26'],
    ['2026-10-21', '2026-10-21'],
  ])('the school day from %s on is %s', (day, next) => expect(nextSchoolDay(day)).toBe(next));
  it('has lessons that follow each other', () => {
    const times = ['1', '2', '3', '4', '5', '6', '7'].map(lessonTimes);
    expect(times[0]).toEqual({ startsAt: '08:40', endsAt: '09:30' });
    times
      .slice(1)
      .forEach(({ startsAt }, index) => expect(startsAt > (times[index]?.endsAt ?? '')).toBe(true));
  });
  it('counts nine weeks of school days without the holiday', () => {
    expect(schoolDays()).toHaveLength(44);
    expect(schoolDays().every(isSchoolDay)).toBe(true);
    expect(dayAfter('2026-10-31', 1)).toBe('2026-11-01');
  });
});
