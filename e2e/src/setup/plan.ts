import { expect } from '@playwright/test';
import type { Guardian } from '../guardian';

/** Takes every task out of the plans of all children, as no journey has begun one. */
export async function hasNoPlan(guardian: Guardian): Promise<void> {
  const { request } = guardian.page;
  const { children } = (await (await request.get('/api/me')).json()) as { children: { id: string }[] };
  for (const { id } of children) {
    const plan = `/api/students/${id}/plan`;
    const { tasks } = (await (await request.get(plan)).json()) as { tasks: { itemId: string }[] };
    for (const { itemId } of tasks) expect((await request.delete(`${plan}/tasks/${itemId}`)).ok()).toBe(true);
  }
}
