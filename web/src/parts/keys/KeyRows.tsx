import { KEYS } from './keys.ts';
import './key-list.css';

/** All keys and what they do. */
export function KeyRows() {
  return (
    <dl className="key-list">
      {KEYS.map(([key, does]) => (
        <div className="key-row" key={key}>
          <dt>
            <kbd>{key}</kbd>
          </dt>
          <dd>{does}</dd>
        </div>
      ))}
    </dl>
  );
}
