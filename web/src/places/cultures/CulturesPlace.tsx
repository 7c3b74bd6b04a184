import '../../parts/fields/form-styles.ts';
import { isLive, type Due } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useKitchenQuery } from '../../data/api.ts';
import { useNow } from '../../data/clock.ts';
import { useUnits } from '../../data/use-units.ts';
import { RegisterUndo } from '../../parts/tables/RegisterUndo.tsx';
import { WakeForm } from './WakeForm.tsx';
import { CultureIn } from './CultureIn.tsx';
import { CulturePanel } from './CulturePanel.tsx';
import { FamilyTree } from './FamilyTree.tsx';
import { useCultures, type CulturesNow } from '../../data/use-cultures.ts';
import '../../parts/tables/register.css';
import './cultures.css';

const DUE_SHOWN = 4;
const DUE_WORD: Readonly<Record<Due['kind'], string>> = {
  sign: 'Contaminated:',
  'use-by': 'Use',
  'use-within': 'Use',
  feed: 'Feed',
  reserve: 'Save starter from',
  refresh: 'Renew',
  'back-up': 'Freeze a back-up of',
};

/** What is due, the soonest first. */
function DueList({ due, nowMs }: { readonly due: readonly Due[]; readonly nowMs: number }) {
  const units = useUnits();
  const [all, setAll] = useState(false);
  if (due.length === 0) return <p className="use-first">Nothing is due.</p>;
  const when = ({ kind, atMs }: Due): string => {
    if (kind === 'sign') return 'now';
    if (kind === 'refresh' || kind === 'back-up' || kind === 'reserve') return 'when you have a minute';
    return atMs < nowMs ? `now, due ${units.day(atMs)}` : `by ${units.day(atMs)}`;
  };
  return (
    <div className="due">
      <ul aria-label="Due">
        {due.slice(0, all ? due.length : DUE_SHOWN).map((d) => (
          <li key={`${d.kind}${d.id}`} className={d.kind === 'sign' ? 'danger' : ''}>
            <strong>{DUE_WORD[d.kind]}</strong>{' '}
            <Link to={d.kind === 'reserve' ? `/makes/${d.id}` : `/cultures?culture=${d.id}`}>{d.name}</Link>{' '}
            <span className="number">{when(d)}</span>. <span className="quiet">{d.text}</span>
          </li>
        ))}
      </ul>
      {due.length > DUE_SHOWN && (
        <Button variant="subtle" onClick={() => setAll(!all)}>
          {all ? 'Show fewer' : `Show ${due.length - DUE_SHOWN} more`}
        </Button>
      )}
    </div>
  );
}

function Families({ now, nowMs }: { readonly now: CulturesNow; readonly nowMs: number }) {
  const [search] = useSearchParams();
  const [gone, setGone] = useState(true);
  const shown = gone ? now.cultures : now.cultures.filter(isLive);
  const youngest = [...now.cultures].filter(isLive).sort((a, b) => b.bornMs - a.bornMs)[0];
  const chosen = now.cultures.find((c) => c.id === search.get('culture')) ?? youngest ?? now.cultures[0];
  if (now.cultures.length === 0 || !chosen)
    return (
      <div>
        {now.due.length > 0 && <DueList due={now.due} nowMs={nowMs} />}
        <p className="months-word">{now.known ? 'No cultures yet.' : 'Opening …'}</p>
        {now.known && (
          <p>Add a packet or a jar, or save a spoonful from a batch. The family tree starts there.</p>
        )}
      </div>
    );
  return (
    <div className="milk-room">
      <div className="may-shrink">
        <DueList due={now.due} nowMs={nowMs} />
        <FamilyTree cultures={shown} chosen={chosen.id} nowMs={nowMs} />
        <div className="field-row above-s row">
          <Button variant="subtle" aria-pressed={!gone} onClick={() => setGone(!gone)}>
            {gone ? 'Hide used-up cultures' : 'Show all cultures'}
          </Button>
          <span className="quiet">Filled: alive. Dashed ring: used up. The number is the generation.</span>
        </div>
        <RegisterUndo register="cultures" />
      </div>
      <CulturePanel key={chosen.id} culture={chosen} all={now.cultures} nowMs={nowMs} />
    </div>
  );
}

/** Living cultures: families, what is due, packets, wakings. */
export function CulturesPlace() {
  const { part = 'families' } = useParams();
  const nowMs = useNow(60_000);
  const now = useCultures(nowMs);
  const { data: kitchen } = useKitchenQuery();
  return (
    <div>
      <div className="make-head place-head">
        <h1>{part === 'in' ? 'Add culture' : part === 'wake' ? 'Wake dried culture' : 'Cultures'}</h1>
        {part === 'families' ? (
          <>
            <Button component={Link} to="/cultures/wake" variant="default" ml="auto">
              Wake dried culture
            </Button>
            <Button component={Link} to="/cultures/in">
              Add culture
            </Button>
          </>
        ) : (
          <Link to="/cultures">Back to cultures</Link>
        )}
      </div>
      {now.failed && (
        <p className="danger">
          The cultures cannot be loaded just now. Everything saved is safe.{' '}
          <Button variant="default" onClick={now.again}>
            Try again
          </Button>
        </p>
      )}
      {part === 'families' && <Families now={now} nowMs={nowMs} />}
      {part === 'in' && kitchen && <CultureIn />}
      {part === 'wake' && kitchen && now.known && (
        <WakeForm kitchen={kitchen.settings} cultures={now.cultures} />
      )}
    </div>
  );
}
