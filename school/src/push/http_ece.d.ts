/** Encrypted content of HTTP (RFC 8188), as far as it is asked for here: the package has no types. */
declare module 'http_ece' {
  import type { ECDH } from 'node:crypto';
  export function decrypt(
    bytes: Buffer,
    how: { readonly version: 'aes128gcm'; readonly privateKey: ECDH; readonly authSecret: Buffer },
  ): Buffer;
}
