import { dark, light, type Palette } from '@cadro/core';

export { dark, light, type Palette };

export const font = 'Atkinson Hyperlegible Next, system-ui, sans-serif';
/** Four sizes: titles, matters and figures, text, secondary. */
export const sizes = {
  title: { fontSize: 30, lineHeight: 36 },
  matter: { fontSize: 19, lineHeight: 24 },
  text: { fontSize: 16, lineHeight: 24 },
  small: { fontSize: 14, lineHeight: 20 },
} as const;
export const gap = 8;
export const margin = 20;
/** Least side of anything one touches. */
export const touch = 44;
export const wideFrom = 900;
