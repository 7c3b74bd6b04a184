import type { CauseId } from './causes.ts';
import type { Clue } from './clue.ts';

/** What can be known of curd, kefir and cultures kept. */
export const CURD_CLUES = {
  'rennet-age': {
    asks: 'How old is the rennet?',
    answers: ['a few months, kept cold', 'older, or kept warm', 'not known'],
    usual: [0.74, 0.14, 0.12],
    tells: { 'rennet-weak': [0.18, 0.62, 0.2] },
  },
  'rennet-milk': {
    asks: 'How was the milk heated before the rennet?',
    answers: ['raw, or {72} at most', '{80} or more', 'ultra-heated'],
    usual: [0.9, 0.08, 0.02],
    tells: { 'milk-overheated': [0.06, 0.54, 0.4] },
  },
  'rennet-heat': {
    asks: 'How warm was the milk when the rennet went in?',
    answers: ['below {28}', '{28}–{35}', 'warmer', 'not known'],
    usual: [0.06, 0.76, 0.06, 0.12],
    tells: { 'milk-cold': [0.76, 0.08, 0.01, 0.15] },
  },
  'rennet-water': {
    asks: 'In which water was the rennet thinned?',
    answers: ['boiled or bottled', 'straight from the tap'],
    usual: [0.76, 0.24],
    tells: { chlorinated: [0.05, 0.95] },
  },
  'curd-taste': {
    asks: 'How does the whey taste?',
    answers: ['sweet', 'mildly sour', 'sharp'],
    usual: [0.12, 0.74, 0.14],
    tells: { 'little-acid': [0.82, 0.17, 0.01], 'curd-not-sour': [0.8, 0.19, 0.01] },
  },
  'cut-when': {
    asks: 'When was the curd cut?',
    answers: ['after a clean break', 'by the clock'],
    usual: [0.74, 0.26],
    tells: { 'cut-early': [0.06, 0.94] },
  },
  'curd-heat': {
    asks: 'How hot did the curd get?',
    answers: ['as planned', 'hotter', 'not known'],
    usual: [0.82, 0.06, 0.12],
    tells: { 'curd-heated': [0.12, 0.7, 0.18] },
  },
  cloth: {
    asks: 'What stands above the cloth?',
    answers: ['curd only', 'whey that does not run off'],
    usual: [0.84, 0.16],
    tells: { 'cloth-blocked': [0.08, 0.92] },
  },
  'drains-where': {
    asks: 'Where does it drain?',
    answers: ['at room temperature', 'in the fridge'],
    usual: [0.6, 0.4],
    tells: { 'curd-cold': [0.03, 0.97] },
  },
  'drained-for': {
    asks: 'How long did it drain?',
    answers: ['as long as planned', 'much longer'],
    usual: [0.88, 0.12],
    tells: { overdrained: [0.06, 0.94] },
  },
  'kefir-room': {
    asks: 'How warm is the room?',
    answers: ['below {18}', '{18}–{24}', 'warmer'],
    usual: [0.12, 0.72, 0.16],
    tells: { 'grains-cold': [0.86, 0.13, 0.01], 'kefir-long': [0.03, 0.5, 0.47] },
  },
  'grains-here': {
    asks: 'How long have the grains been in this milk?',
    answers: ['less than two weeks', 'longer'],
    usual: [0.14, 0.86],
    tells: { 'grains-young': [0.92, 0.08] },
  },
  'grains-care': {
    asks: 'Were the grains rinsed, or kept in the fridge for a week?',
    answers: ['no', 'yes'],
    usual: [0.84, 0.16],
    tells: { 'grains-rinsed': [0.04, 0.96] },
  },
  'grains-share': {
    asks: 'How many grains to a litre of milk?',
    answers: ['less than 20 g', '20–120 g', 'more'],
    usual: [0.1, 0.78, 0.12],
    tells: { 'few-grains': [0.88, 0.11, 0.01], 'many-grains': [0.01, 0.13, 0.86] },
  },
  'kefir-hours': {
    asks: 'How long did it stand?',
    answers: ['up to 24 hours', 'longer'],
    usual: [0.76, 0.24],
    tells: { 'kefir-long': [0.1, 0.9] },
  },
  'kept-between': {
    asks: 'How long was the culture kept between batches?',
    answers: ['up to a week', 'two weeks or more'],
    usual: [0.8, 0.2],
    tells: { 'kept-long': [0.06, 0.94] },
  },
  rounds: {
    asks: 'Were its rounds all at the same temperature?',
    answers: ['yes', 'no, or not known'],
    usual: [0.76, 0.24],
    tells: { 'round-warm': [0.08, 0.92] },
  },
  'strain-from': {
    asks: 'Where does the culture come from?',
    answers: ['an heirloom, or a packet for keeping', 'bought yogurt or buttermilk'],
    usual: [0.6, 0.4],
    tells: { 'strain-tires': [0.05, 0.95] },
  },
} as const satisfies Readonly<Record<string, Clue<CauseId>>>;
