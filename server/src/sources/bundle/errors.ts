/** Why nothing of a bundle can be read. */
export const bundleFaults = [
  'not-a-zip',
  'encrypted',
  'unsafe',
  'too-many-files',
  'too-big',
  'no-tables',
  'several-bundles',
] as const;
export type BundleFault = (typeof bundleFaults)[number];

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
