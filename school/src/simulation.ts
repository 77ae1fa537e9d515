import { readFileSync, renameSync, writeFileSync } from 'node:fs';
import type { Current, Records } from './story';
import { buildSchool, opensAt, readsFrom, schools } from './story';

/** A letter that reached a teacher, and what became of it. */
export interface Letter {
  readonly to: string;
  readonly replyTo: string;
  readonly subject: string;
  readonly text: string;
  readonly messageId: string;
  readonly receivedAt: string;
  answeredAt: string | null;
  /** The invitation for a calendar that came with it. */
  readonly invitation?: string;
}

/** What reached a family: a mail, or a text message. */
export interface Arrival {
  readonly channel: 'mail' | 'text' | 'push';
  readonly to: string;
  readonly subject: string;
  readonly text: string;
  /** The formatted part of a mail; empty for none. */
  readonly html: string;
  /** What came for their calendar; empty for nothing. */
  readonly calendar: string;
  /** A mail's Message-ID, a text's key: what comes again with it has come already. */
  readonly key: string;
  /** Of a mail: the headers that programs act on. */
  readonly headers: Readonly<Record<string, string>>;
  readonly receivedAt: string;
}

/** What happened because of the family, on top of the story: kept, so that a restart forgets nothing. */
interface Kept {
  now: string;
  letters: Letter[];
  arrivals?: Arrival[];
  added: { school: string; collection: string; id: string; at: string; row: Record<string, unknown> }[];
}

/** The story's own records, made once for all simulations of a process. */
const storyRecords = new Map<string, Records>();
function recordsOf(school: (typeof schools)[number]): Records {
  const records = storyRecords.get(school.id) ?? buildSchool(school);
  storyRecords.set(school.id, records);
  return records.copy();
}

/** The three schools at one instant. The same at every start but for what the family did. */
export class Simulation {
  readonly records = new Map<string, Records>(schools.map((school) => [school.id, recordsOf(school)]));
  private kept: Kept = { now: readsFrom, letters: [], added: [] };

  constructor(private readonly file: string | null) {
    if (!file) return;
    try {
      this.kept = JSON.parse(readFileSync(file, 'utf8')) as Kept; // our own file, written below
    } catch {
      return; // no story yet: it begins
    }
    for (const { school, collection, id, at, row } of this.kept.added) {
      this.records.get(school)?.put(collection, id, at, row);
    }
  }

  get now(): string {
    return this.kept.now;
  }

  get letters(): readonly Letter[] {
    return this.kept.letters;
  }

  get arrivals(): readonly Arrival[] {
    return this.kept.arrivals ?? [];
  }

  /** Takes a message in once, however often it is delivered. */
  arrive(arrival: Arrival): void {
    if (this.arrivals.some(({ channel, key }) => channel === arrival.channel && key === arrival.key)) return;
    this.kept.arrivals = [...this.arrivals, arrival];
    this.save();
  }

  get opensAt(): string {
    return opensAt;
  }

  moveTo(now: string): void {
    this.kept.now = now;
    this.save();
  }

  receive(letter: Letter): void {
    this.kept.letters.push(letter);
    this.save();
  }

  /** What a school says of a collection today. */
  says(school: string, collection: string): Current<Record<string, unknown>>[] {
    return this.records.get(school)?.current(collection, this.now) ?? [];
  }

  answered(letter: Letter): void {
    letter.answeredAt = this.now;
    this.save();
  }

  /** @param at when the school will say it; now, or later for what it has promised. */
  add(school: string, collection: string, id: string, row: Record<string, unknown>, at = this.now): void {
    this.records.get(school)?.put(collection, id, at, row);
    this.kept.added.push({ school, collection, id, at, row });
    this.save();
  }

  private save(): void {
    if (!this.file) return;
    // Whole or not at all: what ends in the middle of a write has kept what was there before.
    writeFileSync(`${this.file}.new`, JSON.stringify(this.kept));
    renameSync(`${this.file}.new`, this.file);
  }
}
