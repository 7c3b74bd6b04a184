import '../../parts/tables/tables.css';
import '../../parts/fields/form-styles.ts';
import { keepOf } from '@morning-crock/core';
import type { Lot } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { Link, NavLink, useNavigate, useParams, useSearchParams } from 'react-router';
import { useKitchenQuery } from '../../data/api.ts';
import { useNow } from '../../data/clock.ts';
import { useUnits } from '../../data/use-units.ts';
import { NoMilk } from './NoMilk.tsx';
import { Enough } from './Enough.tsx';
import { IntakeForm } from './IntakeForm.tsx';
import { JarShelf } from './JarShelf.tsx';
import { Ledger } from './Ledger.tsx';
import { LotPanel } from './LotPanel.tsx';
import { RegisterUndo } from '../../parts/tables/RegisterUndo.tsx';
import { MilkingsFile } from './MilkingsFile.tsx';
import { Months } from './Months.tsx';
import { keepWords, lotAmount } from '../../parts/words/milk-words.ts';
import { useMilkRoom, type MilkRoomNow } from '../../data/use-milk.ts';
import '../../parts/tables/register.css';
import './milk-room.css';

const PARTS = [
  { to: '/milk', label: 'Jars', end: true },
  { to: '/milk/enough', label: 'Enough?', end: false },
  { to: '/milk/months', label: 'Months', end: false },
  { to: '/milk/ledger', label: 'Ledger', end: false },
] as const;

/** Lots in the order they must be used: the frozen ones last. */
function byKeeping(lots: readonly Lot[], nowMs: number): Lot[] {
  const end = (lot: Lot): number => keepOf(lot, nowMs).fromMs;
  return [...lots].sort((a, b) => end(a) - end(b));
}

function Jars({ room, nowMs }: { readonly room: MilkRoomNow; readonly nowMs: number }) {
  const units = useUnits();
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const lots = byKeeping(room.lots, nowMs);
  const chosen = lots.find((lot) => lot.id === search.get('lot')) ?? lots[0];
  const first = lots[0];
  if (!chosen || !first) return room.known ? <NoMilk /> : <p className="quiet">Opening …</p>;
  return (
    <div className="milk-room">
      <div className="may-shrink">
        <p className="use-first">
          Use first: <strong>{first.name}</strong>, {lotAmount(first, units)}{' '}
          <span className={keepWords(first, nowMs, units).late ? 'danger' : 'quiet'}>
            {keepWords(first, nowMs, units).text}
          </span>
        </p>
        <JarShelf room={room} lots={lots} chosen={chosen.id} nowMs={nowMs} />
        <RegisterUndo register="milk" />
      </div>
      <LotPanel
        key={chosen.id}
        lot={chosen}
        room={room}
        nowMs={nowMs}
        onGo={(id) => void navigate(id ? `/milk?lot=${id}` : '/milk', { replace: true })}
      />
    </div>
  );
}

/** What there is, what it can become, and what must be used first. */
export function MilkRoom() {
  const { part = 'jars' } = useParams();
  const room = useMilkRoom();
  const { data: kitchen } = useKitchenQuery();
  const nowMs = useNow(30_000);
  return (
    <div>
      <div className="make-head place-head">
        <h1>{part === 'in' ? 'Add milk' : 'Milk room'}</h1>
        <nav aria-label="Milk room" className="place-parts">
          {PARTS.map(({ to, label, end }) => (
            <NavLink key={to} to={to} end={end}>
              {label}
            </NavLink>
          ))}
        </nav>
        {part !== 'in' && (
          <Button component={Link} to="/milk/in" ml="auto">
            Add milk
          </Button>
        )}
      </div>
      {room.failed && (
        <p className="danger">
          The Milk room cannot be loaded now. Your records are safe.{' '}
          <Button variant="default" onClick={room.again}>
            Try again
          </Button>
        </p>
      )}
      {part === 'jars' && <Jars room={room} nowMs={nowMs} />}
      {part === 'in' && kitchen && <IntakeForm lots={room.lots} />}
      {part === 'enough' && <Enough room={room} nowMs={nowMs} />}
      {part === 'months' && <Months />}
      {part === 'ledger' && <Ledger />}
      {part === 'file' && <MilkingsFile />}
    </div>
  );
}
