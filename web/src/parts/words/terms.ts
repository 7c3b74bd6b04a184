/** A word of the field, in one or two sentences. */
export interface Term {
  readonly id: string;
  readonly name: string;
  /** Other forms in which it stands in a text; its name is one of them. */
  readonly forms?: readonly string[];
  readonly text: string;
}

const WORDS: readonly Term[] = [
  {
    id: 'acid',
    name: 'Acid',
    text: 'What bacteria make from milk sugar. It sours milk, makes it set and keeps harmful germs from growing.',
  },
  {
    id: 'acidity',
    name: 'Titratable acidity',
    text: 'All the acid in milk, measured by how much lye it takes to turn an indicator pink. It is given in degrees or as % lactic acid.',
  },
  {
    id: 'back-slop',
    name: 'Back-slop',
    text: 'To start a batch with a spoonful of the last one. It costs nothing and goes on for years if the spoonful is kept clean and used within a week.',
  },
  {
    id: 'batch',
    name: 'Batch',
    text: 'One making from start to finish, from the milk in the pot to the jars in the fridge.',
  },
  {
    id: 'break',
    name: 'Break',
    forms: ['break', 'breaks'],
    text: 'The moment in churning when the fat joins into grains and thin buttermilk runs free. The sound changes from a slap to a splash. Stop there.',
  },
  {
    id: 'brine',
    name: 'Brine',
    text: 'Salt dissolved in water. Cheese takes up its salt in it, and butter keeps longer when the water in it is brine.',
  },
  {
    id: 'buttermilk',
    name: 'Buttermilk',
    text: 'The liquid that is left when cream has become butter. Milk soured at room temperature is called cultured buttermilk.',
  },
  {
    id: 'calcium',
    name: 'Calcium chloride',
    text: 'A salt that gives heated or cold-stored milk back its firmness with rennet. A few drops are enough.',
  },
  {
    id: 'casein',
    name: 'Casein',
    text: 'The milk protein that sets. Acid or rennet joins it into a net that holds fat and water.',
  },
  {
    id: 'churn',
    name: 'Churn',
    text: 'To beat cream until its fat comes together as butter. A jar, a crank, a plunger or a mixer will do it.',
  },
  { id: 'clabber', name: 'Clabber', text: 'Raw milk that set by itself, with the bacteria it came with.' },
  {
    id: 'clarify',
    name: 'Clarify',
    text: 'To boil the water off butter and take out the solids, so that clear fat is left: ghee.',
  },
  {
    id: 'clean-break',
    name: 'Clean break',
    text: 'The sign that rennet curd can be cut. A blade lifted in it splits it in a straight line, and clear whey fills the crack.',
  },
  {
    id: 'cream-line',
    name: 'Cream line',
    text: 'Where risen cream meets the milk below it. It shows through the glass after some hours in the fridge.',
  },
  {
    id: 'culture',
    name: 'Culture',
    text: 'The living bacteria (and in kefir the yeasts) that sour milk. It can be a packet, a spoonful of the last batch, or grains.',
  },
  {
    id: 'curd',
    name: 'Curd',
    text: 'Milk that has set, once it is cut or drained. Whey is what runs out of it.',
  },
  {
    id: 'dose',
    name: 'Dose',
    text: 'How much starter goes in. More makes it quicker and less makes it slower, but temperature counts for more than either.',
  },
  {
    id: 'drain',
    name: 'Drain',
    text: 'To let whey run out through a cloth. The longer it hangs, the thicker what stays in it.',
  },
  {
    id: 'forecast',
    name: 'Forecast range',
    text: 'The two times between which something happens in eight of ten batches like this one. It narrows with every reading you add.',
  },
  {
    id: 'generation',
    name: 'Generation',
    text: 'How many times a culture has been carried on from batch to batch since it was bought or woken.',
  },
  {
    id: 'ghee',
    name: 'Ghee',
    text: 'Butter with its water boiled off and its solids taken out. It keeps for months without a fridge.',
  },
  {
    id: 'grains',
    name: 'Kefir grains',
    text: 'Soft, rubbery lumps of bacteria and yeasts that turn milk into kefir. They are lifted out, grow, and are used again.',
  },
  {
    id: 'headspace',
    name: 'Headspace',
    text: 'The air left above the milk in a jar. Without it a jar runs over when it is carried, or bursts in the freezer.',
  },
  {
    id: 'heat-treatment',
    name: 'Heat treatment',
    text: 'Heating milk before it is cultured. It kills what is in it, and above 80 °C (176 °F) it makes the set firmer.',
  },
  {
    id: 'hold',
    name: 'Hold',
    text: 'To keep milk at a temperature for a number of minutes. The count starts when the temperature is reached.',
  },
  {
    id: 'homogenised',
    name: 'Homogenised',
    text: 'Milk or cream whose fat was broken so small that it does not rise. Such cream breaks late or not at all.',
  },
  {
    id: 'imcu',
    name: 'IMCU',
    text: 'The strength of rennet: how much milk 1 mL of it sets in a set time. It stands on the label. 200 IMCU/mL is common.',
  },
  { id: 'incubate', name: 'Incubate', text: 'To keep milk warm and still while the culture sours it.' },
  {
    id: 'inoculate',
    name: 'Inoculate',
    forms: ['inoculate', 'inoculated', 'inoculating', 'inoculation'],
    text: 'To stir the starter into the milk. The milk must be cool enough for the culture to live: about 44 °C (111 °F) for yogurt.',
  },
  {
    id: 'keep',
    name: 'Use-by date',
    text: 'How long something can be expected to keep where it stands. It is an estimate, so look and smell as well.',
  },
  {
    id: 'mesophilic',
    name: 'Mesophilic',
    text: 'Said of cultures that like room temperature, 18–30 °C (64–86 °F): buttermilk, sour cream, kefir, most cheese.',
  },
  {
    id: 'mould',
    name: 'Mould',
    text: 'The form with holes that a cheese gets its shape in. The blue or grey growth on old food is called mould as well, and means: discard it.',
  },
  {
    id: 'overrun',
    name: 'Overrun',
    text: 'How much more butter there is than fat went into it, because butter holds water and salt too. About a fifth is usual.',
  },
  {
    id: 'pasteurised',
    name: 'Pasteurised',
    text: 'Heated enough to kill harmful germs, 63 °C (145 °F) for 30 minutes or 72 °C (162 °F) for 15 seconds.',
  },
  {
    id: 'ph',
    name: 'pH',
    text: 'How sour something is, from 14 down to 0. Fresh milk is 6.7, yogurt sets near 4.8 and tastes sharp below 4.2. Lower is sourer.',
  },
  {
    id: 'raw',
    name: 'Raw milk',
    text: 'Milk as it came from the animal, not heated. It can carry germs from any farm, so heat it unless your local rules and your licence say otherwise.',
  },
  {
    id: 'rennet',
    name: 'Rennet',
    text: 'An enzyme that sets milk without acid. Because it sets sweet milk too, a set does not prove that the milk is sour enough to be safe.',
  },
  {
    id: 'rennet-strength',
    name: 'Rennet strength',
    text: 'How much milk a millilitre of rennet sets. Two bottles may differ tenfold, so read the label. It is told in IMCU.',
  },
  {
    id: 'reserve',
    name: 'Reserve',
    text: 'The spoonful kept for the next batch. Take it first, with a clean spoon, before anybody tastes.',
  },
  {
    id: 'ripen',
    name: 'Ripen',
    forms: ['ripen', 'ripened', 'ripening'],
    text: 'To let cream or milk sour before it is churned or set with rennet. It gives taste, and ripened cream churns faster.',
  },
  {
    id: 'scald',
    name: 'Scald',
    text: 'To heat milk or cream until it steams and a skin forms, about 82 °C (180 °F), and then let it cool.',
  },
  {
    id: 'serum',
    name: 'Serum',
    text: 'The watery part of butter or milk, everything that is not fat. What stays in unwashed butter makes it sour early.',
  },
  {
    id: 'set',
    name: 'Set',
    text: 'The change from liquid to a soft solid. Tilt the jar: set milk moves in one piece or not at all.',
  },
  { id: 'skim', name: 'Skim', text: 'To take the risen cream off milk. What is left is skimmed milk.' },
  {
    id: 'starter',
    name: 'Starter',
    text: 'What brings the culture into the milk: live yogurt, buttermilk, whey, grains or a packet.',
  },
  {
    id: 'temper',
    name: 'Temper',
    forms: ['temper', 'tempered', 'tempering'],
    text: 'To bring cream to churning temperature, about 12–16 °C (54–61 °F), and leave it there until it is the same all through.',
  },
  {
    id: 'thermophilic',
    name: 'Thermophilic',
    text: 'Said of cultures that like it warm, 38–45 °C (100–113 °F): yogurt, skyr.',
  },
  {
    id: 'ultra-heated',
    name: 'Ultra-heated',
    text: 'Milk or cream heated above 135 °C (275 °F) for some seconds so that it keeps for months. Rennet hardly sets it.',
  },
  {
    id: 'vigour',
    name: 'Strength of a culture',
    text: 'How quickly a culture sours compared with a fresh one. It falls in the fridge by the week, and is measured from your own batches.',
  },
  {
    id: 'wash',
    name: 'Wash',
    text: 'To rinse butter grains in cold water until the water stays clear, so that no buttermilk stays in them to turn sour.',
  },
  {
    id: 'whey',
    name: 'Whey',
    text: 'The clear, yellow-green liquid that leaves curd. A little on top of yogurt is harmless: pour it off or stir it in.',
  },
  {
    id: 'whey-protein',
    name: 'Whey protein',
    text: 'The protein that stays in the whey unless milk was heated. Above 80 °C (176 °F) it unfolds and joins the curd, which makes yogurt firmer.',
  },
  {
    id: 'work',
    name: 'Work',
    text: 'To press and fold butter so that its water comes out in drops, and the rest is so fine that it cannot be seen.',
  },
  { id: 'yield', name: 'Yield', text: 'How much came out of what went in, by weight.' },
];

/** The words that this product uses as the field does, by name. */
export const TERMS: readonly Term[] = [...WORDS].sort((a, b) => a.name.localeCompare(b.name, 'en'));

/** The words explained where they stand in a text, by their forms. Common words are explained on the page of words only. */
const EXPLAINED = [
  'inoculate',
  'whey',
  'temper',
  'break',
  'serum',
  'acidity',
  'back-slop',
  'rennet-strength',
  'imcu',
  'ph',
  'ripen',
  'whey-protein',
  'clean-break',
  'homogenised',
] as const;

const BY_FORM = new Map(
  EXPLAINED.flatMap((id) => {
    const term = TERMS.find((t) => t.id === id)!;
    return (term.forms ?? [term.name.toLowerCase()]).map((form) => [form.toLowerCase(), term] as const);
  }),
);
// The longest form first: “whey protein” is not “whey”.
const FORMS = new RegExp(
  `(?<![\\p{L}-])(${[...BY_FORM.keys()].sort((a, b) => b.length - a.length).join('|')})(?![\\p{L}-])`,
  'giu',
);

/**
 * A text in pieces: plain ones, and the first standing of each word that is explained.
 * @example withTerms('Pour off the whey.') // ['Pour off the ', { term: whey, as: 'whey' }, '.']
 */
export function withTerms(text: string): (string | { readonly term: Term; readonly as: string })[] {
  const pieces: (string | { readonly term: Term; readonly as: string })[] = [];
  const told = new Set<string>();
  let from = 0;
  for (const { 0: as, index } of text.matchAll(FORMS)) {
    const term = BY_FORM.get(as.toLowerCase());
    if (!term || told.has(term.id)) continue;
    told.add(term.id);
    if (index > from) pieces.push(text.slice(from, index));
    pieces.push({ term, as });
    from = index + as.length;
  }
  if (from < text.length) pieces.push(text.slice(from));
  return pieces;
}
