/** How far a burner is turned up. */
export const FLAMES = ['low', 'medium', 'full'] as const;
export type Flame = (typeof FLAMES)[number];
/** Share of the burner's power at each setting, until the kitchen's own is known [F]. */
export const FLAME_SHARE: Readonly<Record<Flame, number>> = { low: 0.25, medium: 0.5, full: 1 };
/** Milk is heated so unless somebody says otherwise: on full it scorches. */
export const USUAL_FLAME: Flame = 'medium';
/** An open pot steams off what a medium flame gives: what shall boil is heated on full. */
export const usualFlame = (heatKind: string): Flame => (heatKind === 'boil' ? 'full' : USUAL_FLAME);

export const BURNER_KINDS = ['flame', 'plate', 'induction'] as const;
export type BurnerKind = (typeof BURNER_KINDS)[number];

interface BurnerFacts {
  readonly label: string;
  /** How slowly what it gives follows the switch, s [F: judgement]; 0 follows at once. */
  readonly lagS: number;
}
export const BURNER_FACTS: Readonly<Record<BurnerKind, BurnerFacts>> = {
  flame: { label: 'Gas or open flame', lagS: 0 },
  plate: { label: 'Electric plate', lagS: 150 },
  induction: { label: 'Induction', lagS: 0 },
};
