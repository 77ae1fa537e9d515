import { createECDH, hkdfSync } from 'node:crypto';
import { onceEach } from '@cadro/core';

const curve = 'prime256v1';
/** The order of P-256: a private key is a number below it. */
const order = BigInt('0xffffffff00000000ffffffffffffffffbce6faada7179e84f3b9cac2fc632551');
const keyBytes = 32;
/** More than a key has, so that no key is likelier than another. */
const drawnBytes = 48;

/**
 * The pair by which push services know this Cadro (RFC 8292), in base64url. It is drawn from Cadro's secret: there is none
 * to set, and whoever has the secret anew has devices ask anew.
 */
export const pushKeys = onceEach((secret: string): { publicKey: string; privateKey: string } => {
  const drawn = Buffer.from(hkdfSync('sha256', secret, 'cadro', 'push', drawnBytes)).toString('hex');
  const key = (BigInt(`0x${drawn}`) % (order - 1n)) + 1n;
  const pair = createECDH(curve);
  pair.setPrivateKey(key.toString(16).padStart(2 * keyBytes, '0'), 'hex');
  const privateKey = Buffer.alloc(keyBytes);
  const shorter = pair.getPrivateKey();
  shorter.copy(privateKey, keyBytes - shorter.length);
  return { publicKey: pair.getPublicKey('base64url'), privateKey: privateKey.toString('base64url') };
});
