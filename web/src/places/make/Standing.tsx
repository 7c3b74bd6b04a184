import { sameTags, wouldMix, type MakeState } from '@morning-crock/core';
import { Link } from 'react-router';
import { useAllLive } from '../../data/use-all-live.ts';

/** What stands beside it: other cultures in the same air, and tags that hang twice. */
export function Beside({ state }: { readonly state: MakeState }) {
  const others = useAllLive().map((live) => live.state);
  const mixing = wouldMix(state, others);
  const twice = sameTags(state, others);
  return (
    <>
      {mixing.length > 0 && (
        <p className="caution above-s">
          {mixing.map((make, i) => (
            <span key={make.id}>
              {i > 0 && ', '}
              <Link to={`/makes/${make.id}`}>{make.plan.name}</Link>
            </span>
          ))}{' '}
          {mixing.length === 1 ? 'is' : 'are'} also souring at {state.plan.place.name} with another culture.
          Keep the batches apart and covered, and use a separate spoon for each, or the cultures will mix.
        </p>
      )}
      {twice.map(({ tag, make }) => (
        <p key={`${tag} ${make.id}`} className="caution above-s" role="alert">
          Tag {tag} is also on <Link to={`/makes/${make.id}`}>{make.plan.name}</Link>. Remove the tag from one
          of the batches.
        </p>
      ))}
    </>
  );
}
