import { Link } from 'react-router';
import './pictures.css';

/** Pictures in a row, each with its words under it. */
export function Pictures({
  pictures,
}: {
  readonly pictures: readonly { readonly id: string; readonly words: string; readonly to?: string }[];
}) {
  return (
    <ul className="pictures bare">
      {pictures.map(({ id, words, to }) => (
        <li key={id}>
          <img src={`/api/photos/${id}`} alt={words} loading="lazy" />
          {to ? <Link to={to}>{words}</Link> : <span>{words}</span>}
        </li>
      ))}
    </ul>
  );
}
