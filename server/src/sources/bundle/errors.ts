import type { BundleFault } from '@cadro/contract';

/** A bundle that cannot be read at all. */
export class BundleError extends Error {
  override readonly name = 'BundleError';
  constructor(
    readonly code: BundleFault,
    message: string,
    options?: { readonly cause?: unknown },
  ) {
    super(message, options);
  }
}
