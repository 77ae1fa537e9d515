import express, { Router } from 'express';
import type { Simulation } from '../simulation';

/** How the gateway may behave for once: it hangs, breaks down, or says yes and means no. */
export const gatewayMoods = ['well', 'hangs', 'breaks', 'refuses'] as const;
export type GatewayMood = (typeof gatewayMoods)[number];

/**
 * A gateway for text messages: POST /texts with a bearer key, `{to, text}`, and an Idempotency-Key that makes the same
 * message twice the same message.
 */
export function textGateway(simulation: Simulation, key: string): Router {
  const router = Router();
  let mood: GatewayMood = 'well';
  router.put('/demo/gateway', express.json(), (request, response) => {
    const { mood: wanted } = request.body as { mood?: GatewayMood };
    if (!wanted || !gatewayMoods.includes(wanted)) {
      return void response.status(400).json({ error: `mood is one of ${gatewayMoods.join(', ')}` });
    }
    mood = wanted;
    response.json({ mood });
  });
  router.post('/texts', express.json(), (request, response) => {
    if (request.get('authorization') !== `Bearer ${key}`)
      return void response.status(401).json({ error: 'key' });
    const { to, text } = request.body as { to?: unknown; text?: unknown };
    const once = request.get('idempotency-key');
    if (typeof to !== 'string' || typeof text !== 'string' || !once) {
      return void response.status(400).json({ error: 'to, text and an Idempotency-Key are needed' });
    }
    if (mood === 'hangs') return;
    if (mood === 'breaks') return void response.status(500).send('out of order');
    if (mood === 'refuses') return void response.json({ status: 'rejected', error: 'no such number' });
    simulation.arrive({
      channel: 'text',
      to,
      subject: '',
      text,
      html: '',
      calendar: '',
      key: once,
      headers: {},
      receivedAt: simulation.now,
    });
    response.status(202).json({ status: 'accepted', id: once });
  });
  return router;
}
