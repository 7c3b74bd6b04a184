import { JarDrawing } from '../../parts/drawings/JarDrawing.tsx';
import './no-milk.css';

/** What a jar goes through here, drawn: it is what an empty milk room has to show. */
const STAGES = [
  {
    name: 'Add',
    text: 'Enter how much came in, and from whom.',
    jar: { fill: 0.9, cream: 0, look: 'milk' },
  },
  {
    name: 'Let stand',
    text: 'The cream line is drawn at its height, hour by hour.',
    jar: { fill: 0.9, cream: 0.16, look: 'milk' },
  },
  {
    name: 'Skim',
    text: 'You see what skimming now gives, and what six hours more would give.',
    jar: { fill: 0.5, cream: 0, look: 'cream' },
  },
  {
    name: 'Use first',
    text: 'What turns first stands at the front, with its date.',
    jar: { fill: 0.65, cream: 0, look: 'skimmed' },
  },
] as const;

/** The milk room before any milk is in it. */
export function NoMilk() {
  return (
    <section aria-labelledby="no-milk">
      <h2 id="no-milk">No milk yet</h2>
      <p>Add a milking or a purchase. The ledger keeps count of every litre from then on.</p>
      <ol className="bare no-milk">
        {STAGES.map(({ name, text, jar }) => (
          <li key={name}>
            <JarDrawing {...jar} asksRecount={false} label="" />
            <span className="tag">
              <span className="tag-name">{name}</span>
              <span className="quiet">{text}</span>
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
