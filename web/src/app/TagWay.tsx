import { Link, Navigate, useParams } from 'react-router';
import { useRecentMakesQuery } from '../data/api.ts';
import { useShelf } from '../data/use-shelf.ts';
import { useUnderWayIds } from '../data/under-way.ts';

/** Where the square on a jar's tag leads: to the batch it hangs on. */
export function TagWay() {
  const { tag = '' } = useParams();
  const shelf = useShelf();
  const ids = useUnderWayIds();
  const { isSuccess, isError } = useRecentMakesQuery();
  const make = shelf.find(({ tags }) => tags.includes(Number(tag)));
  if (make) return <Navigate to={`/makes/${make.id}`} replace />;
  // A batch may carry it whose picture is not drawn yet.
  if (!(isSuccess || isError) || shelf.length < ids.length) return <p className="quiet">Opening …</p>;
  return (
    <p>
      Tag {tag} is on no batch under way. <Link to="/">Open the Bench</Link> or{' '}
      <Link to="/daybook">look in the Daybook</Link>
    </p>
  );
}
