import type { Cause } from './clue.ts';

/** What goes wrong with cream, butter and ghee. */
export const BUTTER_CAUSES = {
  'cream-cold': {
    title: 'The cream is too cold',
    explained: 'Its fat is too hard to stick together, so it whips and whips.',
    next: 'Let the cream come to the churning temperature first, and measure it.',
  },
  'cream-warm': {
    title: 'The cream was too warm',
    explained: 'Soft fat smears instead of making grains, and more of it stays in the buttermilk.',
    next: 'Begin about [2] colder.',
  },
  'churn-weak': {
    title: 'The churn or its setting is too slow',
    explained: 'Too little beating: the same work takes several times as long.',
    next: 'Use a faster setting, or a smaller load.',
  },
  'thin-cream': {
    title: 'The cream is thinner than thought',
    explained: 'Below about 25 % fat the drops meet too rarely, and there is less butter in it.',
    next: 'Skim thicker cream, or let it stand another day and skim again.',
  },
  overfull: {
    title: 'The churn is too full',
    explained: 'Cream swells to double. Above half full it can no longer fall and splash.',
    next: 'Fill the churn to half at most.',
  },
  'uht-cream': {
    title: 'Ultra-heated cream, or a stabiliser',
    explained: 'Both keep fat drops apart. Some cream of this kind never breaks.',
    next: 'Use cream that is only pasteurised, without additives.',
  },
  'late-lactation': {
    title: 'Cream from late in lactation',
    explained: 'Its fat drops are small and hard, and slow to break.',
    next: 'Mix it with cream from fresher cows, or ripen it first.',
  },
  'churn-not-yet': {
    title: 'Nothing is wrong: it needs more time',
    explained: 'This churning is at the slow end of the usual range.',
    next: 'Plan a little more time for this churn.',
  },
  'not-aged': {
    title: 'The cream was not kept cold for long enough',
    explained: 'Part of its fat was still liquid. It smears, and leaves with the buttermilk.',
    next: 'Keep the cream below {8} for four hours or overnight, then warm it up.',
  },
  overworked: {
    title: 'It was worked too long',
    explained: 'Working warms the butter and breaks its grain.',
    next: 'Stop working as soon as no drops come out.',
  },
  'stopped-early': {
    title: 'Churning stopped too early',
    explained: 'Fine grains run off with the buttermilk.',
    next: 'Churn on until the grains are like rice, then stop.',
  },
  'butter-lost': {
    title: 'Some stayed in the churn or was spilt',
    explained: 'Butter sticks to dry wood and to warm walls.',
    next: 'Rinse the churn with cold water before the cream goes in.',
  },
  'winter-feed': {
    title: 'The animals eat hay',
    explained: 'Hay brings little of the yellow colour that grass brings. Nothing was done wrong.',
    next: 'Nothing needs to change.',
  },
  'goat-cream': {
    title: 'The cream is from goats or sheep',
    explained: 'Their milk carries no yellow colour. Nothing was done wrong.',
    next: 'Nothing needs to change.',
  },
  'salt-uneven': {
    title: 'Salt or water is not worked in evenly',
    explained: 'Where salt draws water together, the butter turns darker.',
    next: 'Use fine salt and work once more after half an hour.',
  },
  'worked-cold': {
    title: 'The butter was worked too cold',
    explained: 'Hard butter breaks instead of bending.',
    next: 'Let it warm by about [3] before working.',
  },
  'serum-left': {
    title: 'Buttermilk is left in the butter',
    explained: 'What is left feeds germs and weeps out as drops.',
    next: 'Wash until the water runs clear, then work it dry.',
  },
  'unclean-water': {
    title: 'Water or tools were not clean',
    explained: 'The last thing that touches butter decides how long it keeps.',
    next: 'Wash with boiled, cooled water and scald the tools.',
  },
  'warm-unsalted': {
    title: 'It was unsalted and kept warm',
    explained: 'Without salt, butter keeps about a week in the fridge.',
    next: 'Salt it, or keep it cold or frozen.',
  },
  'raw-cream': {
    title: 'Raw cream',
    explained: 'Its own germs and enzymes go on working in the butter.',
    next: 'Pasteurise the cream, or eat the butter within days.',
  },
  'cream-kept-long': {
    title: 'The cream was collected for too long',
    explained: 'Cream that waits for days tastes of cheese before it is churned.',
    next: 'Churn within four days, or freeze the cream.',
  },
  'cream-out-early': {
    title: 'The cream was chilled before it was sour enough',
    explained: 'Above pH 4.7 its protein has not thickened yet.',
    next: 'Leave it until a spoon of it holds a mound.',
  },
  'cream-lean': {
    title: 'The cream has little fat',
    explained: 'Fat gives cultured cream most of its body.',
    next: 'Use cream with 30 % fat or more.',
  },
  'cream-not-heated': {
    title: 'The cream was not heated',
    explained: 'Heating to {85} lets the protein hold water.',
    next: 'Heat the cream to {85} first.',
  },
  'not-cold-yet': {
    title: 'It has not been cold for long enough',
    explained: 'Cultured cream goes on thickening for a day in the fridge.',
    next: 'Wait a whole night before judging.',
  },
  'cream-room-cold': {
    title: 'The room was cold',
    explained: 'Near the wall it stays colder, so some places sour and others do not.',
    next: 'Wrap it up, or use a place at {20}–{22}.',
  },
  'ghee-hot': {
    title: 'Too hot, or too long after the water was gone',
    explained: 'Once the water has left, the solids brown within minutes.',
    next: 'Take it off the heat when the crackling stops.',
  },
  'much-serum': {
    title: 'The butter held much buttermilk',
    explained: 'Its milk sugar and protein brown and taste bitter.',
    next: 'Wash the butter before melting it.',
  },
  'pot-scorched': {
    title: 'The solids stuck and scorched',
    explained: 'A thin pot burns what lies at the bottom.',
    next: 'Use a heavy pot on a low setting.',
  },
  'water-left': {
    title: 'Water is left in the ghee',
    explained: 'It clouds the ghee, makes it spit and lets it spoil.',
    next: 'Keep it gently hot until no more bubbles rise.',
  },
  'not-filtered': {
    title: 'Solids went through the filter',
    explained: 'Fine solids stay in the ghee and cloud it.',
    next: 'Let it settle for ten minutes and pour through two layers of cloth.',
  },
  'cooled-slow': {
    title: 'It cooled slowly',
    explained: 'Slow cooling at about {28} grows large grains. Many like them.',
    next: 'For smooth ghee, cool it fast in the fridge. For grains, leave it in a warm room.',
  },
  'cooled-fast': {
    title: 'It cooled fast',
    explained: 'Fast cooling leaves no time for grains.',
    next: 'For grains, leave it in a warm room overnight.',
  },
  'wet-butter': {
    title: 'The butter was wet',
    explained: 'Drops of water under hot fat burst.',
    next: 'Press the water out of the butter, and melt it slowly.',
  },
  'small-pot': {
    title: 'The pot is too small or the heat too high',
    explained: 'The first foam rises fast while the water boils off.',
    next: 'Fill the pot to a third, and use a low setting until the foam falls.',
  },
} as const satisfies Readonly<Record<string, Cause>>;
