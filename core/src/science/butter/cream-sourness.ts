/** How sour cream is before it is churned, from sweet on. */
export const CREAM_DEGREES = ['sweet', 'just-sour', 'sour'] as const;
export type CreamDegree = (typeof CREAM_DEGREES)[number];

/** pH each is usually at [F: judgement]; what is measured takes its place. */
export const CREAM_DEGREE_PH: Readonly<Record<CreamDegree, number>> = {
  sweet: 6.6,
  'just-sour': 5.7,
  sour: 4.6,
};
/** Between these cream goes from sweet to ripened. */
export const SWEET_PH = 6.6;
export const RIPENED_PH = 5;
/** From here on it smells and tastes a little sour. */
const JUST_SOUR_PH = 6.2;

/**
 * How far cream is on its way from sweet to ripened, 0..1, linear in pH.
 * @param ph as measured; left out, `soured` says whether it is there or not
 * @example creamSourness({ ph: 5.8 }) // 0.5
 */
export function creamSourness({
  ph,
  soured,
}: {
  readonly ph?: number | undefined;
  readonly soured?: boolean | undefined;
}): number {
  if (ph === undefined) return soured ? 1 : 0;
  return Math.min(1, Math.max(0, (SWEET_PH - ph) / (SWEET_PH - RIPENED_PH)));
}

/** The degree of some cream in a word. @example creamDegree({ soured: true }) // 'sour' */
export function creamDegree(cream: Parameters<typeof creamSourness>[0]): CreamDegree {
  const { ph = cream.soured ? CREAM_DEGREE_PH.sour : CREAM_DEGREE_PH.sweet } = cream;
  return ph <= RIPENED_PH ? 'sour' : ph <= JUST_SOUR_PH ? 'just-sour' : 'sweet';
}
