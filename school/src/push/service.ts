import { createECDH, createPublicKey, randomBytes, verify, type ECDH } from 'node:crypto';
import { buffer } from 'node:stream/consumers';
import express, { Router, type Request } from 'express';
import { decrypt } from 'http_ece';
import type { Simulation } from '../simulation';

/** How the service may behave for once: it knows the devices no more, hangs, breaks down, or takes nothing so large. */
export const pushMoods = ['well', 'gone', 'hangs', 'breaks', 'refuses'] as const;
export type PushMood = (typeof pushMoods)[number];

interface Device {
  readonly pair: ECDH;
  readonly auth: Buffer;
  /** Those who may send to it say so by this key, once one has. */
  sender: string | null;
}

const curve = 'prime256v1';
const mostBytes = 4096;
/** Tokens are signed by the clock of the wall, whatever day the story has. */
const wallMs = (): number => performance.timeOrigin + performance.now();
const longestTokenMs = 24 * 3_600_000;
const fieldsOf = (text: string): Record<string, unknown> => JSON.parse(text) as Record<string, unknown>; // a token's part

/** An uncompressed point of P-256 as a key that signatures are checked by. */
function keyOf(point: string) {
  const bytes = Buffer.from(point, 'base64url');
  const [x, y] = [bytes.subarray(1, 33), bytes.subarray(33)].map((part) => part.toString('base64url'));
  return createPublicKey({ key: { kty: 'EC', crv: 'P-256', x: x ?? '', y: y ?? '' }, format: 'jwk' });
}

/** Who sends, by a token that they signed for this service (RFC 8292). @returns their key; null for no such token */
function senderOf(request: Request, origin: string): string | null {
  const [, token = '', key = ''] =
    /^vapid t=([\w-]+\.[\w-]+\.[\w-]+), ?k=([\w-]+)$/.exec(request.get('authorization') ?? '') ?? [];
  const [head = '', claims = '', signature = ''] = token.split('.');
  if (signature === '') return null;
  const right = verify(
    'sha256',
    Buffer.from(`${head}.${claims}`),
    { key: keyOf(key), dsaEncoding: 'ieee-p1363' },
    Buffer.from(signature, 'base64url'),
  );
  const { aud, exp, sub } = fieldsOf(Buffer.from(claims, 'base64url').toString());
  const leftMs = Number(exp) * 1000 - wallMs();
  const stands =
    aud === origin && leftMs > 0 && leftMs <= longestTokenMs && /^(mailto|https):/.test(String(sub));
  return right && stands ? key : null;
}

/**
 * A push service (RFC 8030) with the devices behind it: what is sent to one is decrypted by its keys (RFC 8291), and
 * stands among what arrived.
 * @param baseUrl its own address.
 */
export function pushService(simulation: Simulation, baseUrl: () => string): Router {
  const router = Router();
  const devices = new Map<string, Device>();
  let mood: PushMood = 'well';
  router.put('/demo/push', express.json(), (request, response) => {
    const { mood: wanted } = request.body as { mood?: PushMood };
    if (!wanted || !pushMoods.includes(wanted))
      return void response.status(400).json({ error: `mood is one of ${pushMoods.join(', ')}` });
    mood = wanted;
    response.json({ mood });
  });
  router.post('/demo/devices', (_request, response) => {
    const token = randomBytes(16).toString('base64url');
    const pair = createECDH(curve);
    const device = { pair, auth: randomBytes(16), sender: null };
    const p256dh = pair.generateKeys('base64url');
    devices.set(token, device);
    response.status(201).json({
      endpoint: `${baseUrl()}/push/${token}`,
      keys: { p256dh, auth: device.auth.toString('base64url') },
    });
  });
  router.delete('/demo/devices/:token', ({ params }, response) => {
    response.status(devices.delete(params.token) ? 204 : 404).end();
  });
  // The body is encoded by what no parser of bodies knows.
  router.post('/push/:token', async (request, response) => {
    const refuse = (status: number, error: string) => void response.status(status).json({ error });
    const device = devices.get(request.params.token);
    const body = await buffer(request);
    if (mood === 'hangs') return;
    if (mood === 'breaks') return refuse(503, 'out of order');
    if (mood === 'gone' || !device) return refuse(410, 'the device has let go');
    const sender = senderOf(request, new URL(baseUrl()).origin);
    if (!sender) return refuse(request.get('authorization') ? 403 : 401, 'a token of the sender is needed');
    if (device.sender !== null && device.sender !== sender) return refuse(403, 'another sender');
    if (!/^\d+$/.test(request.get('ttl') ?? '')) return refuse(400, 'a TTL is needed');
    if (request.get('content-encoding') !== 'aes128gcm') return refuse(415, 'the body is to be encrypted');
    if (mood === 'refuses' || body.length > mostBytes) return refuse(413, 'too large');
    const topic = request.get('topic') ?? randomBytes(8).toString('base64url');
    const plain = decrypt(body, { version: 'aes128gcm', privateKey: device.pair, authSecret: device.auth });
    const { title, text } = fieldsOf(plain.toString());
    device.sender = sender;
    simulation.arrive({
      ...{ channel: 'push', to: request.params.token, subject: String(title), text: String(text) },
      ...{ html: '', calendar: '', key: `${request.params.token} ${topic}` },
      headers: { payload: plain.toString() },
      receivedAt: simulation.now,
    });
    response.status(201).location(`${baseUrl()}/push/messages/${topic}`).end();
  });
  return router;
}
