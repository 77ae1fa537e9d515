import type { SourceFailure } from '@cadro/contract';

/** A source could not be read. The old data stays whole; whether trying again can help is a field. */
export class SourceError extends Error {
  override readonly name = 'SourceError';
  /** The status it was refused with; null where it was not that. */
  readonly status: number | null;
  constructor(
    readonly code: SourceFailure,
    message: string,
    readonly retryable: boolean,
    { status = null, cause }: { readonly status?: number | null; readonly cause?: unknown } = {},
  ) {
    super(message, { cause });
    this.status = status;
  }
}
