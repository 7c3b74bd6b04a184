/** Cautions shown on the step they belong to; plain and short. */
export const CAUTIONS = {
  'raw-milk':
    'Raw milk from any farm can carry germs. Heat it first: raw milk is not for pregnant people, small children, older people or anyone ill. Souring does not make it safe. Follow your local rules and your licence.',
  'treated-needs-starter': 'Never leave heated, pasteurised or ultra-heated milk to sour without a starter.',
  'hot-milk':
    'Hot milk and steam burn. Stir along the bottom so that the milk does not scorch. Keep children away from the pot.',
  'probe-not-surface': 'Stir, then check with a probe. A surface thermometer reads the skin and the steam.',
  'not-a-certificate':
    'This is a guide, not a certificate. Licensed pasteurisation needs approved recording equipment. Follow your local rules and your licence.',
  'glass-shock': 'Hot milk cracks cold glass. Warm the jars first.',
  'too-hot-kills':
    'Above 47 °C (117 °F) the culture suffers, and above 50 °C (122 °F) it dies. Wait a little longer.',
  'too-hot-kills-room':
    'This is a room-temperature culture. Above 37 °C (99 °F) it suffers, and near 40 °C (104 °F) it dies. Let the milk cool further first.',
  'cloth-off-heat':
    'Keep cloth and paper clear of the lamp, the flame, the element and any hot pan. They catch fire.',
  'oven-marked': 'Hang a note on the oven, so that nobody heats it with the batch inside.',
  'clean-smell-first': 'Taste only when the batch smells clean and has soured.',
  'cold-store': 'Keep at 5 °C (41 °F) or colder.',
  allergen: 'Contains MILK. Culturing does not remove the allergen.',
  'starter-raw': 'A starter kept from raw milk passes on the germs of that milk.',
  'blades-off': 'Switch off and unplug blades and mixers before you put your hands in.',
  'vent-churn': 'Soured cream makes gas in a closed churn or jar. Vent early and often.',
  'wash-water': 'Use drinking water for washing and for ice.',
  'hot-fat':
    'Hot fat spatters and burns deep. Keep water and children away. Hold nothing wet over the fat, and pour away from yourself.',
  'never-leave-fat': 'Never leave the pan alone on the heat, not even for a minute.',
  'fat-fire': 'If the fat smokes, turn the heat off and put the lid on. Never put water on a fat fire.',
  'ghee-glass':
    'Never pour hot ghee into cold glass. Use only bone-dry jars. Turn the heat off before you change pots.',
  'rennet-no-acid':
    'Rennet sets sweet milk too, so a set does not prove acid. Only a measured pH of 5.3 or less stops the safety clock.',
  'soft-cheese-risk':
    'Fresh and soft cheese can carry Listeria. It is not for pregnant people, small children, older people, or anyone ill or with weakened immunity. Follow your local rules and your licence.',
  'raw-aged':
    'Age alone does not guarantee that raw-milk cheese is safe. Follow your local rules and your licence.',
  'weak-brine': 'A brine below 8 % is weak. Keep the cheese in the fridge and eat it soon.',
  'lid-loose':
    'This culture makes gas. Leave a fifth of the jar empty. Cover it with a loose lid or a cloth, and vent it daily.',
  'bottle-pressure':
    'Kefir builds pressure in a bottle. Leave headspace, vent daily and open it cold. Kefir contains a little alcohol.',
  'rind-mould':
    'On a pressed rind, wipe mould off with brine, or cut it away with a finger’s width around it. Discard the cheese if you see pink or orange streaks, gas, or a foul smell.',
  'clean-first':
    'Clean first: jars, lids, spoons, cloth and blades boiled for 10 min, steamed, from a hot dishwasher, or in diluted bleach, rinsed and drained. A rinse from the kettle does not sterilise.',
  bleach:
    'Dilute bleach as its label says, then rinse and drain. Never mix bleach with acid, vinegar or descaler.',
  'no-rust':
    'Keep sour milk and cream away from galvanised or rusty parts. Use glass, enamel or stainless steel.',
  'oil-gears': 'Use only food-grade oil on gears, and keep it away from the cream.',
  'honey-infants': 'Never give honey to a child under one year.',
  'clean-hands': 'Use clean hands, cloth and bowl. Nothing is heated from here on.',
  alcohol:
    'This contains alcohol, which does not evaporate. Tell everyone who eats it, and do not give it to children.',
  discard:
    'Look for coloured or fuzzy mould, pink or orange streaks, gas, or a putrid or foul, yeasty smell. If you find any, do not taste. Discard the batch, clean everything and use a new starter.',
} as const;
export type CautionId = keyof typeof CAUTIONS;

/** What can hurt somebody at once, or by what is eaten, before what only spoils the batch. */
const GRAVEST: readonly CautionId[] = [
  'hot-fat',
  'never-leave-fat',
  'fat-fire',
  'ghee-glass',
  'raw-milk',
  'treated-needs-starter',
  'starter-raw',
  'honey-infants',
  'hot-milk',
  'cloth-off-heat',
  'blades-off',
  'vent-churn',
  'bottle-pressure',
  'rennet-no-acid',
  'soft-cheese-risk',
];

/**
 * Cautions with the one that matters most for this batch first, the others in their own order.
 * @example gravestFirst(['blades-off', 'raw-milk']) // ['raw-milk', 'blades-off']
 */
export function gravestFirst(ids: readonly CautionId[]): readonly CautionId[] {
  const rank = (id: CautionId): number => {
    const at = GRAVEST.indexOf(id);
    return at < 0 ? GRAVEST.length : at;
  };
  return [...new Set(ids)].sort((a, b) => rank(a) - rank(b));
}
