import { PLACE_WORD, TAKEN_WORD } from '@morning-crock/core';
import type { Good, LarderLine } from '@morning-crock/core/contract';
import { Link } from 'react-router';
import { useMakesQuery } from '../../data/api.ts';
import { useUnits } from '../../data/use-units.ts';

/** What an entry of the larder says: "2 × 250 g sold for 8.40 crowns: the stall". */
function useLineWords(): (line: LarderLine, good: Good | undefined) => string {
  const units = useUnits();
  const { data: makes = [] } = useMakesQuery();
  return (line, good) => {
    const each = good?.sizesKg[line.size];
    const some =
      line.count !== null && line.count > 1 && each !== undefined
        ? `${line.count} × ${units.mass(each)}`
        : units.mass(line.massKg);
    const note = line.note === '' ? '' : `: ${line.note}`;
    switch (line.kind) {
      case 'put-up':
        return `${some} added, ${PLACE_WORD[line.place]}`;
      case 'carry':
        return `${some} moved from ${PLACE_WORD[line.place].replace(/^(in|on) /, '')} to ${PLACE_WORD[line.to ?? 'cold'].replace(/^(in|on) /, '')}`;
      case 'thaw-for':
        return `${some} planned to thaw`;
      case 'recount':
        return `recounted: ${units.mass(line.massKg)} ${PLACE_WORD[line.place]}`;
      default: {
        const paid = line.price === null ? '' : ` for ${units.cost(line.price)}`;
        const into = makes.find(({ id }) => id === line.into)?.name;
        return `${some} ${into === undefined ? TAKEN_WORD[line.kind] : `used in ${into}`}${paid}${note}`;
      }
    }
  };
}

/** Entries of the larder, the latest first. */
export function LarderLines(props: {
  readonly lines: readonly LarderLine[];
  readonly goods: readonly Good[];
  /** Whether the goods are named. */
  readonly named?: boolean;
}) {
  const { lines, goods, named = false } = props;
  const units = useUnits();
  const words = useLineWords();
  return (
    <ul className="bare larder-lines">
      {[...lines]
        .sort((a, b) => b.atMs - a.atMs)
        .map((line) => {
          const good = goods.find(({ id }) => id === line.goodId);
          return (
            <li key={`${line.eventId} ${line.size}`}>
              <span className="quiet">
                {units.day(line.atMs)} {units.clock(line.atMs)}
              </span>
              <span>
                {named && good && (
                  <>
                    <Link to={`/larder/${good.id}`}>{good.name}</Link>{' '}
                  </>
                )}
                {words(line, good)}
              </span>
            </li>
          );
        })}
    </ul>
  );
}
