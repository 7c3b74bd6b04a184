/** Cautions shown on the step they belong to; plain and short. */
export const CAUTIONS = {
  'raw-milk':
    'Raw milk can carry germs whatever the farm. Not for pregnant people, small children, the old or the ill: heat it first. Souring does not make it safe. Follow your local rules and your licence.',
  'treated-needs-starter':
    'Heated, pasteurised or ultra-heated milk is never left to sour without a starter.',
  'hot-milk': 'Hot milk and steam burn. Stir along the bottom: it scorches. Keep children away from the pot.',
  'probe-not-surface': 'Stir and confirm with a probe: a surface thermometer reads skin and steam.',
  'not-a-certificate':
    'A guide, not a certificate: licensed pasteurisation needs approved, recording equipment. Follow your local rules and your licence.',
  'glass-shock': 'Hot milk cracks cold glass: warm the jars first.',
  'too-hot-kills': 'Above 47 °C the culture suffers, above 50 °C it dies: wait a little longer.',
  'clean-smell-first': 'Taste only when it smells clean and has acidified.',
  'cold-store': 'Keep at 5 °C (41 °F) or colder.',
  allergen: 'Contains MILK. Culturing does not remove the allergen.',
  'starter-raw': 'A starter kept from raw milk carries its germs on.',
  'blades-off': 'Blades and mixers: off and unplugged before hands go in.',
  'vent-churn': 'Soured cream makes gas in a closed churn or jar: vent it early and often.',
  'wash-water': 'Wash water and ice are drinking water.',
  'hot-fat':
    'Hot fat burns deep and spatters: keep water and children away, lift nothing wet over it, pour away from you.',
  'never-leave-fat': 'Never leave it alone on the fire, not for a minute.',
  'fat-fire': 'If it smokes: heat off, lid on. Never water on a fat fire.',
  'ghee-glass': 'No hot ghee into cold glass; only into bone-dry jars. Change the pot with the heat off.',
  'rennet-no-acid':
    'Rennet sets sweet milk: a set is no proof of acid. Only pH 5.3 or less, measured, stops the clock.',
  'soft-cheese-risk':
    'Fresh and soft cheese can carry Listeria: not for pregnant people, small children, the old, the ill or those with weak defences. Follow your local rules and your licence.',
  'raw-aged': 'Raw-milk cheese: age alone is no guarantee. Follow your local rules and your licence.',
  'weak-brine': 'A brine below 8 % is weak: keep the cheese cold and eat it soon.',
  'lid-loose':
    'This culture makes gas: leave a fifth of the jar empty, its lid loose or a cloth over it, and vent it daily.',
  'bottle-pressure':
    'Bottled, it builds pressure: leave headspace, vent daily, open it cold. It holds a little alcohol.',
  'clean-hands': 'Clean hands, cloth and bowl: from here on nothing is heated any more.',
  alcohol: 'It contains alcohol: say so to whoever eats it, and not for children.',
  discard:
    'Coloured or fuzzy mould, pink or orange streaks, gas, a putrid or yeasty-foul smell: discard, do not taste, clean, take a new starter.',
} as const;
export type CautionId = keyof typeof CAUTIONS;
