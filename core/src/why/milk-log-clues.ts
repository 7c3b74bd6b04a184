import type { MakePlan } from '../contract/index.ts';
import { acidityReadings, souringOf, walkThermal, type MakeState } from '../make/index.ts';
import { between, type LogClue } from '../science/causes/index.ts';
import { STARTER_FACTS, warmCulture } from '../science/souring/index.ts';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../science/units/index.ts';
import { batchOf } from '../setup/index.ts';
import { makesGas } from '../steps/index.ts';

const HEAT_SIGMA_C = 0.7;
/** One σ of the share of whey protein unfolded: with a thermometer in the milk, and by the burner alone. */
const UNFOLDED_SIGMA = { read: 0.06, planned: 0.15 } as const;
/** How often what was planned and not measured came out as anything at all. */
const UNREAD_DOUBT = 0.4;
/** Above this a reading says something of the heating, °C. */
const HOT_C = 60;
/** Read within so many minutes before the starter went in, it was as warm as that. */
const NEAR_MIN = 30;
/** A pH so near to the end of a souring is the pH it was taken out at, h. */
const NEAR_END_H = 1;
const PH_SIGMA_OUT = 0.12;
/** Above the first it is taken out early, below the second late. */
const OUT_PH = [4.25, 4.72] as const;
/** Fat of milk below the first is lean, above the second richer than whole. */
const FAT_CUTS = [0.022, 0.046] as const;
const FAT_SIGMA = { known: 0.003, usual: 0.006 } as const;
/** A room felt warmer or colder than it was entered, one σ, K. */
const ROOM_SIGMA_C = 2;
const WEIGHED_UNITS: readonly string[] = ['g', 'kg', 'oz', 'lb'];

const percent = (share: number): string => `${(share * 100).toFixed(1)} %`;
const one = (value: number): string => `{${value.toFixed(1)}}`;

/** How hot it got, and how much whey protein that unfolded. */
function heatClue(state: MakeState, nowMs: number): LogClue {
  const { heat } = state.plan;
  if (heat.kind === 'none') return { clue: 'heated', fits: [1, 0, 0], said: 'The milk was not heated.' };
  const { denaturedNow } = walkThermal(state, nowMs);
  const hottest = Math.max(...state.temperatures.map(({ celsius }) => celsius));
  const read = hottest > HOT_C;
  const fits = between(denaturedNow, read ? UNFOLDED_SIGMA.read : UNFOLDED_SIGMA.planned, [0.3, 0.6]);
  return {
    clue: 'heated',
    // What was only planned may not have been done.
    fits: read ? fits : fits.map((fit) => (1 - UNREAD_DOUBT) * fit + UNREAD_DOUBT / fits.length),
    said: read
      ? `Hottest reading {${hottest}}. About ${Math.round(100 * denaturedNow)} % of the whey protein unfolded.`
      : `Planned to {${heat.targetC}}, nobody measured.`,
  };
}

/** How acid it was when it left the warm. */
function outClue(state: MakeState): LogClue | null {
  const { chilledAtMs, inoculatedAtMs } = state;
  if (chilledAtMs === null || inoculatedAtMs === null) return null;
  const outH = (chilledAtMs - inoculatedAtMs) / HOUR_MS;
  const last = acidityReadings(state).findLast(({ hour }) => Math.abs(hour - outH) <= NEAR_END_H);
  if (!last) return null;
  if (last.kind === 'ph') {
    const [late, well, early] = between(last.ph, Math.hypot(last.sigma, PH_SIGMA_OUT), OUT_PH);
    return {
      clue: 'taken-out',
      fits: [early!, well!, late!],
      said: `pH ${last.ph.toFixed(1)} when it came out of the warm.`,
    };
  }
  const late = last.cue === 'whey-shows' || last.cue === 'curdled';
  const early = last.cue === 'liquid' || last.cue === 'runs' || last.cue === 'trembles';
  return {
    clue: 'taken-out',
    fits: late ? [0.02, 0.13, 0.85] : early ? [0.85, 0.13, 0.02] : [0.05, 0.9, 0.05],
    said: late
      ? 'Whey was showing when it came out.'
      : early
        ? 'It still moved when it came out.'
        : 'It was set when it came out.',
  };
}

/** How warm it stood while it soured, of a yogurt culture: others have warmths of their own. */
function stoodClue(state: MakeState, nowMs: number): LogClue | null {
  const { inoculatedAtMs, chilledAtMs, plan } = state;
  if (inoculatedAtMs === null || !warmCulture(plan.starter.kind)) return null;
  const souring = state.temperatures.filter(
    ({ atMs }) => atMs > inoculatedAtMs && atMs <= (chilledAtMs ?? nowMs),
  );
  if (souring.length === 0) return null;
  const mean = souring.reduce((sum, { celsius }) => sum + celsius, 0) / souring.length;
  return {
    clue: 'stood',
    fits: [...between(mean, HEAT_SIGMA_C, [37, 44.5]), 0],
    said: `${one(mean)} on average while it soured.`,
  };
}

/** How hot it was when the starter went in. */
function hotClue({ inoculatedAtMs, temperatures, plan }: MakeState): LogClue | null {
  const read =
    inoculatedAtMs === null
      ? undefined
      : temperatures.findLast(
          ({ atMs }) => atMs <= inoculatedAtMs + MINUTE_MS && inoculatedAtMs - atMs < NEAR_MIN * MINUTE_MS,
        );
  if (!read) return null;
  const hurtsFrom = warmCulture(plan.starter.kind) ? 46.5 : 37;
  return {
    clue: 'hot-when-added',
    fits: [...between(read.celsius, HEAT_SIGMA_C, [hurtsFrom]), 0],
    said: `${one(read.celsius)} when the starter went in.`,
  };
}

function starterClues({ plan }: MakeState): LogClue[] {
  const { starter } = plan;
  const { dosing } = STARTER_FACTS[starter.kind];
  const clues: LogClue[] = [
    {
      clue: 'which-starter',
      fits: makesGas(starter.kind) ? [0, 1] : [1, 0],
      said: `Starter: ${STARTER_FACTS[starter.kind].label}.`,
    },
  ];
  if (dosing === 'mass' && starter.ageD !== null)
    clues.push({
      clue: 'starter-age',
      fits: starter.ageD < 7 ? [1, 0, 0, 0] : starter.ageD <= 14 ? [0, 1, 0, 0] : [0, 0, 1, 0],
      said: `Starter ${Math.round(starter.ageD)} ${Math.round(starter.ageD) === 1 ? 'day' : 'days'} old.`,
    });
  if (dosing === 'mass' && starter.typed) {
    const weighed = WEIGHED_UNITS.includes(starter.typed.unit);
    clues.push({
      clue: 'dosed',
      // A planned weight that nobody took counts as weighed, less surely.
      fits: weighed ? [0.9, 0.06, 0.04] : [0, 1, 0],
      said: weighed ? 'Starter was weighed.' : 'Starter was measured by the spoon or cup.',
    });
  }
  return clues;
}

function milkClues(plan: MakePlan): LogClue[] {
  const { milk } = plan;
  const { fatFraction } = batchOf(plan).composition;
  const known = milk.fatFraction !== null || milk.composition !== undefined;
  return [
    {
      clue: 'fat',
      fits: between(fatFraction, known ? FAT_SIGMA.known : FAT_SIGMA.usual, FAT_CUTS),
      said: `Milk with ${percent(fatFraction)} fat${known ? '' : ', as usual for this kind'}.`,
    },
    {
      clue: 'animal',
      fits: milk.kind === 'goat' ? [0, 1] : [1, 0],
      said: milk.kind === 'goat' ? 'Goat milk.' : 'Not goat milk.',
    },
  ];
}

/** What a log says of its milk, its starter and its souring. */
export function milkLogClues(state: MakeState, nowMs: number): LogClue[] {
  const { plan, chilledAtMs, finished } = state;
  const clues = [...milkClues(plan), ...starterClues(state)];
  // What begins with yogurt had its milk heated, or not, in another batch.
  if (plan.heat.kind !== 'none' || souringOf(state) !== null) clues.push(heatClue(state, nowMs));
  for (const clue of [outClue(state), stoodClue(state, nowMs), hotClue(state)]) if (clue) clues.push(clue);
  const lastSmell = state.acidity.findLast(
    ({ reading }) => reading.kind === 'cue' && reading.cleanSmell !== null,
  )?.reading;
  if (lastSmell?.kind === 'cue')
    clues.push({
      clue: 'smell',
      fits: lastSmell.cleanSmell ? [1, 0, 0] : [0, 1, 0],
      said: lastSmell.cleanSmell ? 'It smelled clean and sour.' : 'It did not smell clean.',
    });
  if (chilledAtMs !== null && finished !== null) {
    const days = (nowMs - chilledAtMs) / DAY_MS;
    clues.push({
      clue: 'days-cold',
      fits: days < 7 ? [1, 0, 0] : days <= 14 ? [0, 1, 0] : [0, 0, 1],
      said: `Chilled ${Math.round(days)} days ago.`,
    });
  }
  if (plan.jars && plan.jars.length > 1)
    clues.push({ clue: 'cooled-in', fits: [0.9, 0.1], said: 'It cooled in jars.' });
  if (plan.cooling?.lidOn === true || plan.cooling?.stirred === true)
    clues.push({
      clue: 'lid',
      fits: [0.95, 0.05],
      said: plan.cooling.lidOn === true ? 'It cooled with its lid on.' : 'It was stirred while it cooled.',
    });
  return clues;
}

/** What a log says of kefir and of the room. */
export function kefirLogClues(state: MakeState, nowMs: number): LogClue[] {
  const { plan, inoculatedAtMs, chilledAtMs } = state;
  const clues: LogClue[] = [
    {
      clue: 'kefir-room',
      fits: between(plan.roomC, ROOM_SIGMA_C, [18, 24.5]),
      said: `Room at {${plan.roomC}} as entered.`,
    },
    {
      clue: 'room-was',
      fits: between(plan.roomC, ROOM_SIGMA_C, [18, 24.5]),
      said: `Room at {${plan.roomC}} as entered.`,
    },
  ];
  const share = (state.dose.massKg ?? 0) / batchOf(plan).massKg;
  if (plan.starter.kind === 'kefir-grains' && share > 0)
    clues.push({
      clue: 'grains-share',
      fits: between(Math.log(share), 0.2, [Math.log(0.02), Math.log(0.12)]),
      said: `${Math.round(1000 * share)} g of grains to a kilogram of milk.`,
    });
  if (inoculatedAtMs !== null) {
    const hours = ((chilledAtMs ?? nowMs) - inoculatedAtMs) / HOUR_MS;
    clues.push({
      clue: 'kefir-hours',
      fits: between(hours, 1, [25]),
      said: `It stood ${Math.round(hours)} hours.`,
    });
  }
  return clues;
}
