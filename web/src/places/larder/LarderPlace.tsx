import '../../parts/fields/form-styles.ts';
import { Button } from '@mantine/core';
import { Link, NavLink, useParams } from 'react-router';
import { useNow } from '../../data/clock.ts';
import { useLarder } from '../../data/use-larder.ts';
import { RegisterUndo } from '../../parts/tables/RegisterUndo.tsx';
import { GoodPanel } from './GoodPanel.tsx';
import { Left } from './Left.tsx';
import { PutUp } from './PutUp.tsx';
import { Recall } from './Recall.tsx';
import { UseFirst } from './UseFirst.tsx';
import { Wanted } from './Wanted.tsx';
import '../../parts/print/paper.css';
import '../../parts/tables/register.css';
import './larder.css';

const PARTS = [
  { to: '/larder', label: 'Use first', end: true },
  { to: '/larder/left', label: 'Used and sold', end: false },
  { to: '/larder/wanted', label: 'Keep in stock', end: false },
  { to: '/larder/recall', label: 'Trace', end: false },
] as const;

/** What came out of the makes: what there is, until when, and where the rest went. */
export function LarderPlace() {
  const { part = 'first', more } = useParams();
  const larder = useLarder();
  const nowMs = useNow(30_000);
  const chosen = larder.goods.find(({ id, code }) => id === part || code === part.toUpperCase());
  const isPart = ['first', 'left', 'wanted', 'recall', 'put-up'].includes(part);
  return (
    <div>
      <div className="make-head place-head">
        <h1>{part === 'put-up' ? 'Add to larder' : 'Larder'}</h1>
        <nav aria-label="Larder" className="place-parts">
          {PARTS.map(({ to, label, end }) => (
            <NavLink key={to} to={to} end={end}>
              {label}
            </NavLink>
          ))}
        </nav>
        {part !== 'put-up' && (
          <Button component={Link} to="/larder/put-up" ml="auto">
            Add to larder
          </Button>
        )}
      </div>
      {larder.failed && (
        <p className="danger">
          The Larder cannot be loaded now. Your records are safe.{' '}
          <Button variant="default" onClick={larder.again}>
            Try again
          </Button>
        </p>
      )}
      {part === 'first' && <UseFirst larder={larder} nowMs={nowMs} />}
      {part === 'left' && <Left larder={larder} />}
      {part === 'wanted' && <Wanted larder={larder} nowMs={nowMs} />}
      {part === 'recall' && <Recall larder={larder} />}
      {part === 'put-up' && <PutUp larder={larder} makeId={more ?? null} />}
      {chosen && (
        <GoodPanel key={chosen.id} good={chosen} larder={larder} nowMs={nowMs} labels={more === 'labels'} />
      )}
      {!isPart && !chosen && larder.known && (
        <p className="months-word" role="alert">
          Nothing in the larder has the code {part.toUpperCase()}.
        </p>
      )}
      {(part === 'first' || chosen) && <RegisterUndo register="larder" />}
    </div>
  );
}
