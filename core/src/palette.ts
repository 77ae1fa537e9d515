/** Paper and ink. Each role has one meaning in both themes; colour never carries a status alone. */
export interface Palette {
  readonly paper: string;
  readonly sheet: string;
  readonly ink: string;
  readonly soft: string;
  /** Between parts of a page; says nothing by itself. */
  readonly line: string;
  /** Lines and ticks of drawings. */
  readonly rail: string;
  /** Needs you; where it falls if left. */
  readonly plum: string;
  /** Can be gained or mended. */
  readonly teal: string;
  readonly tealBand: string;
  readonly sand: string;
  /** Tell children apart, beside their letter and their pattern; they mean nothing else. */
  readonly children: readonly [string, string, string, string];
}

export const light: Palette = {
  paper: '#FAF6EE',
  sheet: '#FFFDF8',
  ink: '#152238',
  soft: '#556074',
  line: '#DDD5C5',
  rail: '#8A8678',
  plum: '#86285A',
  teal: '#17686C',
  tealBand: '#BFDCD7',
  sand: '#E9DCC0',
  children: ['#2B5288', '#7A4A12', '#4C5F1E', '#5B3F86'],
};
export const dark: Palette = {
  paper: '#10182A',
  sheet: '#172138',
  ink: '#EFE8DA',
  soft: '#AEB7CA',
  line: '#364360',
  rail: '#7383A6',
  plum: '#EDA0C3',
  teal: '#7CCBC5',
  tealBand: '#1F4C4E',
  sand: '#3D3828',
  children: ['#9CC0F0', '#E0B27A', '#B8CC80', '#C3A9EE'],
};
