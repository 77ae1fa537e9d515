import { presetRules } from '@cadro/core';

const usual = presetRules('usual');

/** The usual rules of somebody who wants to hear of teachers' words at once. */
export const withWords = {
  ...usual,
  rules: { ...usual.rules, comment: { on: true, subjects: ['course' as const] } },
};
