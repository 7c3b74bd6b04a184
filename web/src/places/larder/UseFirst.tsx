import {
  GOOD_FACTS,
  isFrozen,
  toThaw,
  turningFirst,
  type TurningThing,
  usesOfLot,
} from '@morning-crock/core';
import { LARDER_PLACES, type LarderPlace } from '@morning-crock/core/contract';
import { Button, TextInput } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { LarderNow } from '../../data/use-larder.ts';
import { useCultures } from '../../data/use-cultures.ts';
import { useMilkRoom } from '../../data/use-milk.ts';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import {
  endWords,
  lotAmount,
  PLACE_WORD as MILK_PLACE_WORD,
  ROLE_WORD,
} from '../../parts/words/milk-words.ts';
import { ScanButton } from '../../parts/scan/ScanButton.tsx';
import { pathOf, scannedOf } from '../../parts/scan/scanned.ts';
import { ThawLine } from './ThawLine.tsx';
import { codeTyped, codeWords, standsWords } from '../../parts/words/stock-words.ts';

type Shown = 'all' | LarderPlace | 'milk' | 'culture';
const SHOWN: readonly { readonly value: Shown; readonly label: string }[] = [
  { value: 'all', label: 'All' },
  { value: 'cold', label: 'Fridge' },
  { value: 'freezer', label: 'Freezer' },
  { value: 'cellar', label: 'Cellar' },
  { value: 'stall', label: 'Stall' },
  { value: 'milk', label: 'Milk and cream' },
  { value: 'culture', label: 'Cultures' },
];
const CODE_LONG = 6;

const placeOf = (thing: TurningThing): Shown =>
  thing.of === 'goods' ? (LARDER_PLACES.find((p) => p === thing.stock.place) ?? 'cold') : thing.of;
function wordsOf(thing: TurningThing): string {
  switch (thing.of) {
    case 'milk':
      return `${thing.lot.name} ${ROLE_WORD[thing.lot.role]}`.toLowerCase();
    case 'culture':
      return thing.due.name.toLowerCase();
    case 'goods':
      return `${thing.good.name} ${GOOD_FACTS[thing.good.what].label} ${thing.good.code}`.toLowerCase();
  }
}

/** Everything that will turn, what turns first in front: goods, milk and cream in one list. */
export function UseFirst({ larder, nowMs }: { readonly larder: LarderNow; readonly nowMs: number }) {
  const units = useUnits();
  const room = useMilkRoom();
  const { due } = useCultures(nowMs);
  const navigate = useNavigate();
  const [shown, setShown] = useState<Shown>('all');
  const [sought, setSought] = useState('');
  const things = useMemo(
    () => turningFirst(larder.goods, room.lots, nowMs, due),
    [larder.goods, room.lots, nowMs, due],
  );
  const thaws = useMemo(() => toThaw(larder.goods), [larder.goods]);
  const scanned = (square: string): string | null => {
    const found = scannedOf(square);
    if (found?.of !== 'goods') return 'This code is not from a larder label.';
    void navigate(pathOf(found));
    return null;
  };
  const words = sought.trim().toLowerCase();
  const code = codeTyped(sought);
  const listed = things.filter(
    (thing) =>
      (shown === 'all' || placeOf(thing) === shown) &&
      (words === '' || wordsOf(thing).includes(words) || wordsOf(thing).includes(code.toLowerCase())),
  );
  const known = larder.known && room.known;
  return (
    <div className="column">
      <div className="row wide larder-seek">
        <Choices legend="Where" value={shown} options={SHOWN} onChange={setShown} />
        <TextInput
          label="Name or code"
          value={sought}
          maxLength={80}
          autoComplete="off"
          onChange={(event) => setSought(event.currentTarget.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && code.length === CODE_LONG) void navigate(`/larder/${code}`);
          }}
        />
        <ScanButton label="Scan a label" onSquare={scanned} />
      </div>
      {thaws.length > 0 && (
        <section aria-label="To thaw">
          {thaws.map((one) => (
            <ThawLine key={`${one.good.id} ${one.stock.size}`} one={one} nowMs={nowMs} may="thaw" />
          ))}
        </section>
      )}
      {known && things.length === 0 && (
        <p className="months-word">
          The larder is empty. Add each finished batch here, so that you can find it, label it and use it in
          time.
        </p>
      )}
      {known && things.length > 0 && listed.length === 0 && (
        <p className="quiet">Nothing matches that name or code.</p>
      )}
      <ul className="bare use-first-list" aria-label="Use first">
        {listed.map((thing) => {
          const end = endWords(thing, nowMs, units, isFrozen(thing));
          if (thing.of === 'culture')
            return (
              <li key={`${thing.due.id} ${thing.due.kind}`}>
                <Link to={`/cultures?culture=${thing.due.id}`}>{thing.due.name}</Link>
                <span>culture</span>
                <span className={end.late ? 'danger' : ''}>{end.text}</span>
                <span className="quiet uses-culture">{thing.reason}</span>
                <span />
              </li>
            );
          return thing.of === 'goods' ? (
            <li key={`${thing.good.id} ${thing.stock.place} ${thing.stock.size}`}>
              <Link to={`/larder/${thing.good.id}`}>{thing.good.name}</Link>
              <span>{standsWords(thing.good, thing.stock, units)}</span>
              <span className={end.late ? 'danger' : ''}>{end.text}</span>
              <span className="quiet">{end.text.includes(thing.reason) ? '' : thing.reason}</span>
              <span className="quiet number">{codeWords(thing.good.code)}</span>
            </li>
          ) : (
            <li key={thing.lot.id}>
              <Link to={`/milk?lot=${thing.lot.id}`}>{thing.lot.name}</Link>
              <span>
                {lotAmount(thing.lot, units)} {ROLE_WORD[thing.lot.role]} {MILK_PLACE_WORD[thing.lot.place]}
              </span>
              <span className={end.late ? 'danger' : ''}>{end.text}</span>
              <span className="quiet">{end.text.includes(thing.reason) ? '' : thing.reason}</span>
              <span />
              {thing.toMs > nowMs && usesOfLot(thing.lot).length > 0 && (
                <span className="quiet uses">Good for: {usesOfLot(thing.lot).join('; ')}</span>
              )}
            </li>
          );
        })}
      </ul>
      {known && listed.length > 0 && (
        <p className="quiet">
          Dates are estimates from the product and where it was stored. Look and smell as well.
        </p>
      )}
      <Button component={Link} to="/larder/put-up" variant="default" h={56} className="only-phone">
        Add to larder
      </Button>
    </div>
  );
}
