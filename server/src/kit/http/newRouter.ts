import { Router } from 'express';
import type { ServerDeps } from '../deps';

/** A router with what its handlers are given; to each its own: see `mount`. */
export type Served = Router & { readonly given: ServerDeps };

/** A room's router. An address is written in one way: what is `/API/…` is nowhere, and nothing is reached unlogged. */
export const newRouter = (given: ServerDeps): Served =>
  Object.assign(Router({ caseSensitive: true }), { given });
