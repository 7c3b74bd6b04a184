import type { Cause } from './clue.ts';

/** What goes wrong with soured milk. */
export const MILK_CAUSES = {
  'not-yet': {
    title: 'Nothing is wrong: it needs more time',
    explained: 'Everything fits a batch at the slow end of the usual range.',
    next: 'Plan a little more time for this culture in this place.',
  },
  'place-cold': {
    title: 'The place is colder than planned',
    explained: 'The culture works at half its pace about [7] below its best temperature.',
    next: 'Check the place with a jar of water and a thermometer, and enter what it holds.',
  },
  'place-hot': {
    title: 'The place was too warm',
    explained: 'A fast, hot set makes a coarse curd that lets its whey go.',
    next: 'Set the place about [3] cooler, or move the jars away from the heat.',
  },
  'starter-weak': {
    title: 'The starter was weak',
    explained: 'Few of its cells were alive, so the milk waits hours before it begins to sour.',
    next: 'Use starter that is less than a week old, or a new packet.',
  },
  'too-hot': {
    title: 'The milk was too hot for the starter',
    explained: 'Part of the culture died as it went in. Yogurt cultures suffer from {47} on.',
    next: 'Measure the milk just before the starter goes in. It should be below {45}.',
  },
  'under-dosed': {
    title: 'Less starter went in than planned',
    explained: 'A small dose needs one or two hours more to catch up.',
    next: 'Weigh the starter.',
  },
  inhibited: {
    title: 'Something in the milk holds the culture back',
    explained: 'Residues of medicine or of cleaner slow every culture, however fresh it is.',
    next: 'Use milk from another source, and rinse cans and jars twice.',
  },
  phage: {
    title: 'The culture stopped part of the way',
    explained:
      'A virus of the culture can stop a strain that was kept for long. Souring begins, then stands still.',
    next: 'Begin again with a new culture, and boil everything that touched the old one.',
  },
  'thermometer-off': {
    title: 'The thermometer is wrong',
    explained: 'It reads too high or too low, always by the same amount.',
    next: 'Check the thermometer in iced water and in boiling water.',
  },
  unheated: {
    title: 'The milk was not heated enough',
    explained: 'Its whey protein did not unfold, so the curd stays soft and lets whey go.',
    next: 'Heat the milk to {85} and hold it there for 20 minutes.',
  },
  'out-early': {
    title: 'It was chilled too early',
    explained: 'The curd had not gone firm: its pH was still above 4.6.',
    next: 'Leave it in the warm until a tilted jar stands, then 20 minutes more.',
  },
  'too-long': {
    title: 'It stood too long',
    explained: 'Souring goes on in the warm. The curd shrinks and presses its whey out.',
    next: 'Take it out as soon as it is set.',
  },
  moved: {
    title: 'It was moved while it set',
    explained: 'A curd that is shaken while it forms breaks and does not heal.',
    next: 'Fill the jars first, then leave them alone until they are set.',
  },
  lean: {
    title: 'The milk was lean',
    explained: 'With little fat and protein there is less to build the curd.',
    next: 'Use whole milk, or stir in 3 % milk powder.',
  },
  goat: {
    title: 'Goat milk sets softly',
    explained: 'Its casein makes a finer, weaker curd. Nothing was done wrong.',
    next: 'Stir in 3–4 % milk powder, or drain the curd.',
  },
  frozen: {
    title: 'Milk or curd was frozen',
    explained: 'Ice breaks the protein, and the curd comes out weak or grainy.',
    next: 'Use milk that was never frozen.',
  },
  'not-whisked': {
    title: 'The starter was not whisked in',
    explained: 'Lumps of starter sour around themselves, first and hardest.',
    next: 'Whisk the starter smooth in a cup of the milk, then stir that in.',
  },
  'hard-heating': {
    title: 'The milk was heated too hard',
    explained: 'Milk or powder that catches at the bottom makes grains, and tastes of it.',
    next: 'Heat on a lower setting and stir along the bottom.',
  },
  ropy: {
    title: 'The strain pulls threads when it is cool',
    explained: 'Some yogurt strains make slime below {38}. It is harmless.',
    next: 'Incubate at {40}–{43}, or use another culture.',
  },
  contaminated: {
    title: 'Something else grew in it',
    explained: 'Germs or yeast came from a cloth, a jar, the air or the starter.',
    next: 'Boil jars, lids and cloths, and begin with a new starter.',
  },
  'old-milk': {
    title: 'The milk was old',
    explained: 'In the fridge, cold-loving germs leave enzymes that survive heating and taste bitter.',
    next: 'Use milk within three days.',
  },
  'long-cold': {
    title: 'It was kept for long with its culture alive',
    explained: 'The culture goes on splitting protein in the fridge, and some pieces taste bitter.',
    next: 'Eat it within two weeks.',
  },
  'much-rennet': {
    title: 'Too much rennet went in',
    explained: 'Rennet that is left over goes on cutting protein, and some pieces taste bitter.',
    next: 'Halve the rennet and wait longer.',
  },
  'herb-taint': {
    title: 'The taste came from outside',
    explained: 'Herbs in the feed, an old lid or strong food nearby are taken up by milk fat.',
    next: 'Taste the milk first, and use clean lids without a smell.',
  },
  'too-warm-long': {
    title: 'It soured too long or too warm',
    explained: 'Every hour in the warm after the set makes it sourer.',
    next: 'Chill it sooner, or use less starter.',
  },
  'slow-chill': {
    title: 'It cooled too slowly',
    explained: 'A large pot needs hours to cool in the fridge and sours on meanwhile.',
    next: 'Stand the jars in cold water for half an hour before the fridge.',
  },
  scorched: {
    title: 'The milk caught at the bottom',
    explained: 'Milk sugar browns where the pot is hottest.',
    next: 'Rinse the pot with cold water first, heat on a lower setting and stir along the bottom.',
  },
  'lid-off': {
    title: 'It was heated or cooled uncovered',
    explained: 'Water leaves the surface and the protein dries to a skin.',
    next: 'Stir now and then, or put the lid on while it cools.',
  },
  'kefir-culture': {
    title: 'A kefir or mixed culture was used',
    explained: 'These cultures hold yeasts, and yeasts give off gas. Only in kefir is that normal.',
    next: 'Keep kefir and yogurt starters apart, with a spoon each.',
  },
} as const satisfies Readonly<Record<string, Cause>>;
