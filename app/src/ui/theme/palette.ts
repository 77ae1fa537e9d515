import { dark, light, type Palette } from '@cadro/core';

export { dark, light, type Palette };

/** The device's own colours, where it allows no others: drawings are told by their shapes alone. */
export const forced: Palette = {
  paper: 'Canvas',
  sheet: 'Canvas',
  ink: 'CanvasText',
  soft: 'CanvasText',
  line: 'CanvasText',
  rail: 'GrayText',
  plum: 'CanvasText',
  teal: 'CanvasText',
  tealBand: 'Canvas',
  sand: 'Canvas',
  children: ['CanvasText', 'CanvasText', 'CanvasText', 'CanvasText'],
};

export const font = 'Atkinson Hyperlegible Next, system-ui, sans-serif';
/** Four sizes: titles and great figures, matters, text, secondary. */
export const sizes = {
  title: { fontSize: 26, lineHeight: 32 },
  matter: { fontSize: 19, lineHeight: 24 },
  text: { fontSize: 16, lineHeight: 24 },
  small: { fontSize: 14, lineHeight: 20 },
} as const;
export const gap = 8;
export const margin = 20;
/** Least side of anything one touches. */
export const touch = 44;
export const wideFrom = 900;
/** From here on a third column helps. */
export const broadFrom = 1500;
