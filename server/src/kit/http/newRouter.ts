import { Router } from 'express';

/** A room's router. An address is written in one way: what is `/API/…` is nowhere, and nothing is reached unlogged. */
export const newRouter = (): Router => Router({ caseSensitive: true });
