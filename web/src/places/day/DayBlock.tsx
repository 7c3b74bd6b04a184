import type { DayHands } from '@morning-crock/core';
import { Button, NativeSelect } from '@mantine/core';
import { useKitchen } from '../../data/use-units.ts';
import { whyWords } from './why-words.ts';

const STEPS_MIN = [-60, -15, -5, 5, 15, 60] as const;

/** The block that was chosen: why it is where it is, and moving it without a drag. */
export function DayBlock(props: {
  readonly block: DayHands;
  readonly hands: readonly DayHands[];
  readonly nameOf: (make: string) => string;
  readonly timeOf: (minute: number) => string;
  readonly fixed: boolean;
  readonly who: string;
  readonly onMove: (minute: number) => void;
  readonly onFree: () => void;
  readonly onWho: (cook: string) => void;
}) {
  const { block, hands, nameOf, timeOf, fixed, who, onMove, onFree, onWho } = props;
  const { cooks } = useKitchen();
  return (
    <section className="day-chosen" aria-label="Chosen step">
      <p>
        <strong>{block.act}</strong>, {nameOf(block.make)}:{' '}
        <span className="number">
          {timeOf(block.from)} – {timeOf(block.to)}
        </span>
        {fixed && <span className="quiet"> pinned</span>}
      </p>
      <p className="quiet">{whyWords(block.why, hands, nameOf, timeOf)}</p>
      <div className="row">
        {STEPS_MIN.map((minutes) => (
          <Button
            key={minutes}
            variant="default"
            disabled={block.from + minutes < 0}
            onClick={() => onMove(block.from + minutes)}
          >
            {Math.abs(minutes)} min {minutes < 0 ? 'earlier' : 'later'}
          </Button>
        ))}
        {!fixed && (
          <Button variant="default" onClick={() => onMove(block.from)}>
            Pin this time
          </Button>
        )}
        {fixed && (
          <Button variant="default" onClick={onFree}>
            Unpin this time
          </Button>
        )}
        {cooks.length > 1 && (
          <NativeSelect
            aria-label="Who does this step"
            value={who}
            data={[
              { value: '', label: 'Anyone free' },
              ...cooks.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onChange={(event) => onWho(event.currentTarget.value)}
          />
        )}
      </div>
    </section>
  );
}
