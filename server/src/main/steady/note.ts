import type { EntryBody } from '@cadro/contract';

/** Something a guardian writes down, which is there twice when it is written twice. */
export const note = (title: string): EntryBody => ({
  ...{ kind: 'note', title, on: '2026-10-22', studentIds: [], shared: false },
});
