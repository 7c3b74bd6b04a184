import type { MakeState } from '@morning-crock/core';
import { Link } from 'react-router';
import { useMakesQuery } from '../../data/api.ts';

/** Which makes it came from, and which came from it: parted off, or poured together. */
export function Kin({ state }: { readonly state: MakeState }) {
  const parted = state.events.flatMap((event) =>
    event.type === 'split-off' && event.data.makeId !== state.plan.splitFrom ? [event.data.makeId] : [],
  );
  const last = state.events.findLast((event) => event.type === 'finished');
  const into = last?.type === 'finished' ? last.data.into : undefined;
  const kin = [
    ...(state.plan.splitFrom === undefined ? [] : [{ id: state.plan.splitFrom, words: 'Split from' }]),
    ...parted.map((id) => ({ id, words: 'Split into' })),
    ...state.joined.map(({ makeId }) => ({ id: makeId, words: 'Includes' })),
    ...(into === undefined ? [] : [{ id: into, words: 'Poured into' }]),
  ];
  return kin.length === 0 ? null : <KinList kin={kin} />;
}

function KinList({ kin }: { readonly kin: readonly { readonly id: string; readonly words: string }[] }) {
  const { data: makes = [] } = useMakesQuery();
  return (
    <ul className="bare quiet" aria-label="Related batches">
      {kin.map(({ id, words }) => {
        const make = makes.find((m) => m.id === id);
        return (
          <li key={`${words} ${id}`}>
            {words}{' '}
            <Link to={make?.status === 'under-way' ? `/makes/${id}` : `/daybook/${id}`}>
              {make?.name ?? 'another batch'}
            </Link>
          </li>
        );
      })}
    </ul>
  );
}
