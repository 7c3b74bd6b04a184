import type { CurveTheme } from '../charts/curve-option.ts';

/** Colours that tests tell apart. */
export const CHART_THEME: CurveTheme = {
  ink: '#000',
  quiet: '#555',
  faint: '#ccc',
  cobalt: '#00f',
  brush: '#06f',
  clay: '#850',
  butter: '#db3',
  fontFamily: 'x',
};
