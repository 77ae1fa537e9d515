import { dark, light, type Palette } from './palette';

/** Relative luminance and contrast by WCAG 2.2. */
const channel = (hex: string): number => {
  const value = Number.parseInt(hex, 16) / 255;
  return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
};
const luminance = (colour: string): number => {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => channel(colour.slice(at, at + 2)));
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
};
const contrast = (a: string, b: string): number => {
  const [high = 0, low = 0] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (high + 0.05) / (low + 0.05);
};

describe.each<[string, Palette]>([
  ['light', light],
  ['dark', dark],
])('the %s palette', (_name, palette) => {
  const grounds = [palette.paper, palette.sheet];
  it.each(['ink', 'soft', 'plum', 'teal'] as const)('%s can be read as text on both grounds', (role) => {
    for (const ground of grounds) expect(contrast(palette[role], ground)).toBeGreaterThanOrEqual(4.5);
  });
  it('has colours for children that can be read as text on both grounds and on sand', () => {
    for (const colour of palette.children)
      for (const ground of [...grounds, palette.sand])
        expect(contrast(colour, ground)).toBeGreaterThanOrEqual(4.5);
  });
  it('has a main button that can be read', () => {
    expect(contrast(palette.paper, palette.ink)).toBeGreaterThanOrEqual(4.5);
  });
  it.each(['rail', 'plum', 'teal', 'ink'] as const)(
    '%s is seen as a line of a drawing on both grounds',
    (role) => {
      for (const ground of grounds) expect(contrast(palette[role], ground)).toBeGreaterThanOrEqual(3);
    },
  );
  it('outlines the bands of a fan so that they stand out of each other', () => {
    expect(contrast(palette.teal, palette.tealBand)).toBeGreaterThanOrEqual(3);
    expect(contrast(palette.ink, palette.tealBand)).toBeGreaterThanOrEqual(3);
    expect(contrast(palette.ink, palette.sand)).toBeGreaterThanOrEqual(3);
  });
});

it('knows its own arithmetic: black on white is 21', () => {
  expect(contrast('#000000', '#FFFFFF')).toBeCloseTo(21, 6);
});
