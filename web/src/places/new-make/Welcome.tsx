import { Link } from 'react-router';

/** Beside the empty shelf: how it begins, and how to look around first. */
export function Welcome() {
  return (
    <section className="now-panel" aria-labelledby="welcome">
      <h2 id="welcome">Welcome</h2>
      <p className="big">Choose a crock.</p>
      <p>
        Enter how much milk you have. You see at once when to heat, cool and add the starter, and when it will
        set.
      </p>
      <p className="quiet">
        There is nothing to set up. Your own pots and places can be added later, in Kitchen.
      </p>
      <h3>Try it without milk</h3>
      <p>
        <Link to="/practice">Practise on a simulated crock</Link>. Its clock runs fast, and nothing can spoil.
      </p>
      <h3>Look around a working kitchen</h3>
      <p className="quiet">
        Run <code>npm run demo</code> on the kitchen’s computer and open the address it shows. It is a made-up
        kitchen with months of batches. Yours stays as it is.
      </p>
    </section>
  );
}
