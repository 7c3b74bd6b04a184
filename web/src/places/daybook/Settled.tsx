import { argumentsOf, type Argument } from '@morning-crock/core';
import type { MakeSummary } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { argumentQuestion, argumentWords } from './settle-words.ts';

/** So many are shown before somebody asks for the rest. */
const FIRST = 4;

/** Those that are settled come first, then those that few more batches would settle. */
const order = (a: Argument, b: Argument): number =>
  Number(a.verdict === 'too-few') - Number(b.verdict === 'too-few') || a.moreOfEach - b.moreOfEach;

/** The next batches that would tell most: one of each, alike in all else. */
function NextPair({ argument }: { readonly argument: Argument }) {
  const { methodIds, sides, verdict, differs } = argument;
  if (verdict !== 'too-few') return null;
  if (methodIds === null)
    return differs === 'way' ? (
      <p>Make one of each, alike in all else, with the same milk on the same day.</p>
    ) : null;
  return (
    <p className="row">
      <span>Make one of each, with the same milk on the same day:</span>
      {methodIds.map((id, n) => (
        <Link key={id} to={`/new?method=${encodeURIComponent(id)}`}>
          {sides[n]}
        </Link>
      ))}
    </p>
  );
}

/** Where makers differ: what this kitchen's own batches show, and what would tell. */
export function Settled({ makes }: { readonly makes: readonly MakeSummary[] }) {
  const [all, setAll] = useState(false);
  const found = useMemo(() => argumentsOf(makes).sort(order), [makes]);
  const shown = all ? found : found.slice(0, FIRST);
  return (
    <section className="answer" aria-label="Settle an argument">
      <div className="across">
        <h2>Settle an argument</h2>
        {found.length === 0 && (
          <p className="answer-sentence">
            Nothing to compare yet. Make the same thing two ways, three times each.
          </p>
        )}
        <ul className="bare arguments">
          {shown.map((argument) => (
            <li key={argumentQuestion(argument)}>
              <strong>{argumentQuestion(argument)}</strong>
              <p>{argumentWords(argument)}</p>
              <NextPair argument={argument} />
            </li>
          ))}
        </ul>
        {found.length > FIRST && (
          <Button variant="subtle" px={0} onClick={() => setAll(!all)}>
            {all ? 'Show fewer' : `Show all ${found.length}`}
          </Button>
        )}
        <p className="quiet">
          In brackets: batches that were kept. Differences are given as a range that holds nine times in ten.
        </p>
      </div>
    </section>
  );
}
