import { useMemo } from 'react';
import { now } from '../../data/clock.ts';
import { galleryStates } from './states.tsx';
import './gallery.css';

const GROUPS = ['Drawings', 'Fields', 'Words', 'Panels'] as const;

/** Every part and panel with its states, to be looked at while it is worked on: not in the built page. */
export function Gallery() {
  const states = useMemo(() => galleryStates(now()), []);
  return (
    <div className="column">
      <h1>Gallery</h1>
      {GROUPS.map((group) => (
        <section key={group} aria-label={group}>
          <h2>{group}</h2>
          <div className={group === 'Drawings' ? 'gallery-side-by-side' : undefined}>
            {states
              .filter((state) => state.group === group)
              .map(({ name, show }) => (
                <article key={name} aria-label={name} className="below-l">
                  <h3>{name}</h3>
                  {show()}
                </article>
              ))}
          </div>
        </section>
      ))}
    </div>
  );
}
