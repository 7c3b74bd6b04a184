import { Link } from 'react-router';

/** An address that leads nowhere. */
export function NotHere() {
  return (
    <div>
      <h1>Page not found</h1>
      <p>
        <Link to="/">Back to the Bench</Link>
      </p>
    </div>
  );
}
