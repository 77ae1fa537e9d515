/** Why a source could not be read. */
export const sourceFailures = [
  'source-down',
  'source-refuses',
  'source-nonsense',
  /** More than anybody's school can have: pages, bytes, or time. */
  'source-too-much',
  /** Its address leads where Cadro does not go. */
  'source-elsewhere',
] as const;
export type SourceFailure = (typeof sourceFailures)[number];

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
