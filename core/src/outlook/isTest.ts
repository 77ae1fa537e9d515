/** Whether a work is a test, by what its source calls it; null where it says nothing. */
export const isTest = (kind: string | null): boolean => /test|exam|quiz/i.test(kind ?? '');
