/** A source could not be read. The old data stays whole; whether trying again can help is a field. */
export class SourceError extends Error {
  override readonly name = 'SourceError';
  constructor(
    readonly code: 'source-down' | 'source-refuses' | 'source-nonsense',
    message: string,
    readonly retryable: boolean,
    options?: { cause?: unknown },
  ) {
    super(message, options);
  }
}
