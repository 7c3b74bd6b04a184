import { PRODUCTS, sinceFaults } from '@morning-crock/core';
import type { MakeSummary } from '@morning-crock/core/contract';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { sinceWords } from './settle-words.ts';

/** Faults whose cause was found, and whether what was changed has helped; nothing where there were none. */
export function SinceFaults({ makes }: { readonly makes: readonly MakeSummary[] }) {
  const found = useMemo(() => sinceFaults(makes), [makes]);
  if (found.length === 0) return null;
  return (
    <section className="answer" aria-label="Did the change help?">
      <div>
        <h2>Did the change help?</h2>
        <ul className="bare">
          {found.map((one) => (
            <li key={`${one.makeId} ${one.complaint}`} className="below-m">
              <Link to={`/why/${one.makeId}?complaint=${one.complaint}`}>{PRODUCTS[one.product].label}</Link>
              <p className="answer-sentence">{sinceWords(one)}</p>
            </li>
          ))}
        </ul>
      </div>
    </section>
  );
}
