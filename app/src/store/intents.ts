import { nanoid } from '@reduxjs/toolkit';

/** A click that follows so soon, with nothing between, means the same. */
const sameClickMs = 2_000;

interface Intent {
  /** What is asked for, at which address. */
  readonly address: string;
  readonly asked: string;
  /** By which the server knows it again. */
  readonly key: string;
  answeredAtMs: number | null;
}

/**
 * What somebody means to write, each under one key: a second click means what the first did, and so does another try
 * after an answer that was lost. What is written after something else, or later, is meant anew.
 */
export class Intents {
  private readonly last = new Map<string, Intent>();
  private latest: Intent | null = null;

  constructor(private readonly nowMs: () => number = () => performance.now()) {}

  /** The intent of a write: the last one to its address, where that is this very write and still open. */
  of(address: string, asked: string): Intent {
    const before = this.last.get(address);
    const intent =
      before?.asked === asked && this.isOpen(before)
        ? before
        : { address, asked, key: nanoid(), answeredAtMs: null };
    this.last.set(address, intent);
    this.latest = intent;
    return intent;
  }

  private isOpen(intent: Intent): boolean {
    if (intent.answeredAtMs === null) return true;
    return intent === this.latest && this.nowMs() - intent.answeredAtMs < sameClickMs;
  }

  /** What is done elsewhere, or given up, is no longer meant here: the same write after it is meant anew. */
  over(key: string): void {
    for (const [address, intent] of this.last) if (intent.key === key) this.last.delete(address);
  }

  answered(intent: Intent): void {
    intent.answeredAtMs = this.nowMs();
  }
}

/** Of this page. */
export const intents = new Intents();
