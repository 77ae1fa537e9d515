import { execFile } from 'node:child_process';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';

const run = promisify(execFile);

/** A calendar program that reads files, set to the clock of the story. */
export class CalendarProgram {
  private readonly folder = mkdtemp(join(tmpdir(), 'calendar-program-'));

  /** What the program reads in a file, by a clock: the beginning, the end and the title of every event. */
  async read(text: string, zone = 'America/Halifax'): Promise<string[]> {
    const folder = await this.folder;
    const [config, file] = [join(folder, 'config'), join(folder, 'family.ics')];
    await writeFile(
      config,
      [
        ...['[calendars]', '[[family]]', `path = ${folder}`, '[locale]', 'timeformat = %H:%M'],
        ...['dateformat = %Y-%m-%d', 'longdateformat = %Y-%m-%d', 'datetimeformat = %Y-%m-%d %H:%M'],
        ...['longdatetimeformat = %Y-%m-%d %H:%M', `local_timezone = ${zone}`, `default_timezone = ${zone}`],
      ].join('\n'),
    );
    await writeFile(file, text);
    const format = '{start-long}|{end-time}|{title}';
    const { stdout } = await run('khal', ['-c', config, 'printics', '--format', format, file], {
      env: { PATH: process.env['PATH'], HOME: folder, LC_ALL: 'C.UTF-8' },
    });
    return stdout.split('\n').filter((line) => line.includes('|'));
  }

  async close(): Promise<void> {
    await rm(await this.folder, { recursive: true, force: true });
  }
}
