import { butterBalance, HAND_WORKED_FAT, litresIn, PRODUCTS } from '@morning-crock/core';
import { PRODUCT_TAKES, type Lot } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { Link } from 'react-router';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { PoolForm } from './PoolForm.tsx';
import { percent } from '../../parts/words/milk-words.ts';
import { type MilkRoomNow } from '../../data/use-milk.ts';

/** A churn is filled to half. */
const CHURN_FILL = 0.5;
const BUTTER = { buttermilkFatFraction: 0.005, butterFatFraction: HAND_WORKED_FAT } as const;
/** Thinner cream may not break; much thinner is not promised anything. Source: docs/SCIENCE.md, settling. */
const MAY_NOT_BREAK_FAT = 0.18;
const NO_PROMISE_FAT = 0.12;

/** How many loads of each churn there are, and the butter in them. */
function ChurnLoads({ lot }: { readonly lot: Lot }) {
  const units = useUnits();
  const { churns } = useKitchen();
  const litres = litresIn(lot);
  const fat = lot.of.fatFraction;
  const { butterKg } = butterBalance({
    creamKg: Math.max(0, lot.has.massKg),
    creamFatFraction: fat,
    ...BUTTER,
  });
  return (
    <>
      {churns.length === 0 && (
        <p className="quiet">
          Enough for a churning? <Link to="/kitchen/things">Add your churns in Kitchen.</Link>
        </p>
      )}
      {churns.map((churn) => {
        const load = churn.litres * CHURN_FILL;
        const loads = Math.floor(litres / load + 1e-6);
        return (
          <p key={churn.id}>
            {loads >= 1 ? (
              <strong>
                Enough for {loads === 1 ? 'a load' : `${loads} loads`} in {churn.name}
              </strong>
            ) : (
              <>
                {units.volume(load - litres)} more for a load in {churn.name}
              </>
            )}
            <span className="quiet"> ({units.volume(load)} each)</span>
          </p>
        );
      })}
      {fat < NO_PROMISE_FAT ? (
        <p className="caution">
          Under 12 % fat, this cream may not break at all. Let it settle and skim again.
        </p>
      ) : (
        <>
          <p>
            Makes about {units.mass(butterKg)} of butter.
            {fat < MAY_NOT_BREAK_FAT && ' Under 18 % fat, cream may not break.'}
          </p>
          <p>
            <Link to={`/sums/churn?lot=${lot.id}`}>When will the cream break?</Link>
          </p>
        </>
      )}
    </>
  );
}

/** What a lot of cream may be made into, one tap away. */
function MadeOfIt({ lot }: { readonly lot: Lot }) {
  return (
    <>
      {Object.values(PRODUCTS)
        .filter((p) => PRODUCT_TAKES[p.id] === 'cream' && (p.starters.length === 0 || !lot.soured))
        // What most come for is first; a pot of cream is kept for butter.
        .reverse()
        .sort((a, b) => Number(b.usual ?? false) - Number(a.usual ?? false))
        .map((p, i) => (
          <Button
            key={p.id}
            component={Link}
            to={`/new?make=${p.id}&from=${lot.id}`}
            variant={i === 0 ? 'filled' : 'default'}
          >
            Make {p.label.toLowerCase()}
          </Button>
        ))}
    </>
  );
}

/** Cream: its portions, what it is enough for, and what it is made into. */
export function PotPart(props: {
  readonly lot: Lot;
  readonly room: MilkRoomNow;
  readonly onGo: (lotId: string | null) => void;
}) {
  const { lot, room, onGo } = props;
  const units = useUnits();
  return (
    <>
      {lot.portions.length > 0 && (
        <div>
          <h3>Portions (the oldest sets how long the pot keeps)</h3>
          <ul className="portions">
            {[...lot.portions]
              .sort((a, b) => a.oldestMs - b.oldestMs)
              .map((portion) => (
                <li key={portion.eventId}>
                  <span className="number">{units.day(portion.oldestMs)}</span> {units.mass(portion.massKg)},{' '}
                  {percent(portion.fatFraction, 0)} fat{portion.soured && ', soured'}
                </li>
              ))}
          </ul>
        </div>
      )}
      <ChurnLoads lot={lot} />
      {lot.place !== 'freezer' && (
        <>
          <MadeOfIt lot={lot} />
          {lot.role === 'cream' && <PoolForm lot={lot} lots={room.lots} onDone={onGo} />}
        </>
      )}
    </>
  );
}
