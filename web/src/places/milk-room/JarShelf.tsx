import { isCream, keepOf, litresIn, settles, skimOffer } from '@morning-crock/core';
import type { Lot } from '@morning-crock/core/contract';
import { Link } from 'react-router';
import { useUnits } from '../../data/use-units.ts';
import { CrockDrawing } from '../../parts/drawings/CrockDrawing.tsx';
import { JarDrawing } from '../../parts/drawings/JarDrawing.tsx';
import { keepWords, lotAmount, percent, PLACE_WORD, ROLE_WORD } from '../../parts/words/milk-words.ts';
import { type MilkRoomNow } from '../../data/use-milk.ts';

/** A jar is drawn against the fullest one, but never against less than this. */
const LEAST_FULL_LITRES = 3;

/** Cream line of a lot now, as a share of its height. */
function creamNow(lot: Lot, room: MilkRoomNow, nowMs: number): number {
  return settles(lot) ? skimOffer(lot, nowMs, { learned: room.learned(lot.source) }).layers.creamHeight : 0;
}

/** Lots side by side as jars, what must be used first in front; the chosen one is marked. */
export function JarShelf(props: {
  readonly room: MilkRoomNow;
  readonly lots: readonly Lot[];
  readonly chosen: string | null;
  readonly nowMs: number;
}) {
  const { room, lots, chosen, nowMs } = props;
  const units = useUnits();
  const fullest = Math.max(LEAST_FULL_LITRES, ...lots.map(litresIn));
  return (
    <ul className="lot-jars" aria-label="Jars">
      {lots.map((lot) => {
        const cream = creamNow(lot, room, nowMs);
        const keep = keepWords(lot, nowMs, units);
        const look =
          lot.place === 'freezer'
            ? 'frozen'
            : isCream(lot)
              ? 'cream'
              : lot.role === 'skimmed'
                ? 'skimmed'
                : 'milk';
        return (
          <li key={lot.id}>
            <Link
              to={`/milk?lot=${lot.id}`}
              replace
              aria-current={lot.id === chosen ? 'true' : undefined}
              className="jar-link"
            >
              {lot.role === 'pot' && lot.place !== 'freezer' ? (
                <CrockDrawing fill={litresIn(lot) / fullest} surface="still" label="cream pot" />
              ) : (
                <JarDrawing
                  fill={litresIn(lot) / fullest}
                  cream={cream}
                  look={look}
                  asksRecount={lot.recount}
                  label={
                    cream > 0 ? `cream layer: top ${percent(cream, 0)} of the height` : ROLE_WORD[lot.role]
                  }
                />
              )}
              <span className="tag">
                <span className="tag-name">{lot.name}</span>
                <span className="number">{lotAmount(lot, units)}</span>
                <span className={keepOf(lot, nowMs).toMs <= nowMs ? 'danger' : 'quiet'}>
                  {lot.recount ? 'recount' : lot.place === 'cold' ? keep.text : PLACE_WORD[lot.place]}
                </span>
              </span>
            </Link>
          </li>
        );
      })}
    </ul>
  );
}
