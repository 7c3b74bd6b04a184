import type { Cause } from './clue.ts';

/** What goes wrong with curd, kefir and cultures. */
export const CURD_CAUSES = {
  'rennet-weak': {
    title: 'The rennet is old, or too little of it',
    explained: 'Liquid rennet loses about a tenth of its strength in three months.',
    next: 'Test the rennet on a cup of milk, or use a new bottle.',
  },
  'milk-overheated': {
    title: 'The milk was heated too far',
    explained: 'Unfolded whey protein covers the casein, and rennet cannot get at it.',
    next: 'Use milk that was heated to {72} at most, and never ultra-heated milk.',
  },
  'milk-cold': {
    title: 'The milk was too cold for rennet',
    explained: 'Rennet takes half as long again for every [7] below {32}.',
    next: 'Warm the milk to {32} first, and keep it there.',
  },
  chlorinated: {
    title: 'Chlorinated water weakened the rennet',
    explained: 'A little chlorine destroys rennet within minutes.',
    next: 'Thin the rennet with boiled, cooled water, just before it goes in.',
  },
  'little-acid': {
    title: 'There was too little acid',
    explained: 'Sweet milk sets slowly and holds its whey.',
    next: 'Let the starter work for longer before the rennet.',
  },
  'cut-early': {
    title: 'It was cut too early',
    explained: 'Soft curd breaks to dust, and fat and protein leave with the whey.',
    next: 'Wait for a clean break.',
  },
  'curd-heated': {
    title: 'The curd got too hot',
    explained: 'Heat shrinks curd and presses it dry.',
    next: 'Warm the curd slowly, no higher than planned.',
  },
  'cloth-blocked': {
    title: 'The cloth is blocked',
    explained: 'Fine curd seals the cloth, and whey stands above it.',
    next: 'Scrape the cloth down every hour, or use a coarser one.',
  },
  'curd-cold': {
    title: 'It drains in the fridge',
    explained: 'Cold curd lets go of its whey slowly.',
    next: 'Drain the first hours at room temperature, then in the fridge.',
  },
  'curd-not-sour': {
    title: 'The curd is not sour enough',
    explained: 'Curd lets its whey go best near pH 4.6.',
    next: 'Let it sour until it is firm, then drain.',
  },
  overdrained: {
    title: 'It drained for too long',
    explained: 'Every hour takes more whey out.',
    next: 'Weigh the whey, and stop at the planned weight.',
  },
  'grains-cold': {
    title: 'The grains are cold',
    explained: 'Below {18} kefir grains hardly grow.',
    next: 'Keep them at {20}–{24}.',
  },
  'grains-young': {
    title: 'The grains are still getting used to your milk',
    explained: 'New or changed milk stops their growth for a week or two.',
    next: 'Give them the same whole milk every day for two weeks.',
  },
  'grains-rinsed': {
    title: 'The grains were rinsed or kept cold for long',
    explained: 'Rinsing takes off what they grow with.',
    next: 'Do not rinse them. Move them straight into new milk.',
  },
  'few-grains': {
    title: 'Too few grains for the milk',
    explained: 'It sours slowly, and other germs get a chance.',
    next: 'Use 50–100 g of grains a litre, more in a cool room.',
  },
  'many-grains': {
    title: 'Too many grains for the milk',
    explained: 'It sours so fast that it parts within hours and stays thin.',
    next: 'Use 50–100 g of grains a litre, less in a warm room, and share the rest.',
  },
  'kefir-long': {
    title: 'It stood too long or too warm',
    explained: 'Yeasts catch up after the first day and make gas.',
    next: 'Strain after 24 hours, sooner in a warm room.',
  },
  'kefir-lean': {
    title: 'The milk was lean',
    explained: 'Fat gives kefir its body.',
    next: 'Use whole milk.',
  },
  'kept-long': {
    title: 'It was kept for too long between batches',
    explained: 'In the fridge, a starter loses strength every week.',
    next: 'Feed it every week, or freeze some of it fresh.',
  },
  'round-warm': {
    title: 'A round was too warm or too cold',
    explained: 'One part of the culture outgrows the other and the balance is lost.',
    next: 'Keep one temperature for every round, and begin again from a packet.',
  },
  'culture-dirty': {
    title: 'Something else grows in the culture',
    explained: 'A stray germ is carried on from round to round.',
    next: 'Throw it away and begin with a new culture.',
  },
  'strain-tires': {
    title: 'This strain lasts only a few rounds',
    explained: 'Many bought yogurts hold strains that are not meant to be kept.',
    next: 'Begin again from a packet every five rounds, or use an heirloom culture.',
  },
  'packet-old': {
    title: 'The packet is old or was kept warm',
    explained: 'Dried cultures die slowly, and fast in a warm kitchen.',
    next: 'Keep packets in the freezer.',
  },
} as const satisfies Readonly<Record<string, Cause>>;
