import type { WeeklySpec } from './specs';

/* What an upper school gives each week, for a category and so many points. */

export const worksheet = (categoryId: string, possible: number): WeeklySpec => ({
  key: 'sheet',
  categoryId,
  kind: 'worksheet',
  possible,
  assigned: 0,
  due: 2,
  dueAt: '23:59',
  online: true,
  title: (topic) => `${topic}: worksheet`,
  instructions: (topic) =>
    `Work through the sheet on ${topic.toLowerCase()}. Show each step; a neat sketch counts as a step.`,
});
export const notes = (categoryId: string, possible: number): WeeklySpec => ({
  key: 'notes',
  categoryId,
  kind: 'notes',
  possible,
  assigned: 1,
  due: 3,
  dueAt: '15:00',
  title: (topic) => `${topic}: field notes`,
  instructions: () =>
    'One page in your notebook, with the date and the weather. Bring the notebook to class.',
});
export const quiz = (categoryId: string, possible: number): WeeklySpec => ({
  key: 'quiz',
  categoryId,
  kind: 'quiz',
  possible,
  assigned: 2,
  due: 4,
  dueAt: '11:30',
  title: (topic) => `${topic}: quiz`,
  instructions: (topic) =>
    `Twenty minutes in class, on ${topic.toLowerCase()}. You may use one page of your own notes.`,
});
export const reading = (categoryId: string, possible: number): WeeklySpec => ({
  key: 'reading',
  categoryId,
  kind: 'reading',
  possible,
  assigned: 3,
  due: 6,
  dueAt: '20:00',
  online: true,
  title: (topic) => `${topic}: reading`,
  instructions: () => 'Read the chapter and answer the five questions at its end in the classroom system.',
});
