import { CAUSES, toDegrees, type CauseFound, type Suspect } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useUnits } from '../../data/use-units.ts';
import { NO_CAUSE } from '../../parts/words/fault-words.ts';

/** At most so many causes are shown, and none that is less likely than this. */
const MOST = 3;
const LEAST_SHARE = 0.04;
/** Speaks so clearly one way or the other, nats. */
const CLEARLY = 0.3;

const NONE_EXPLAINED =
  'The entries do not fit anything Morning Crock knows. Check the entries, or ask someone who makes this often.';

/** What speaks for and against a cause, with its times. */
function EvidenceList({ cause }: { readonly cause: CauseFound }) {
  const units = useUnits();
  const lines = (of: CauseFound['evidence']) =>
    of.map(({ words, atMs }) => (
      <li key={`${words}${atMs ?? ''}`}>
        {atMs !== null && <span className="number">{units.time(atMs, atMs)} </span>}
        {toDegrees(words, units.temperatureUnit)}
      </li>
    ));
  const speaksFor = cause.evidence.filter(({ nats }) => nats >= CLEARLY);
  const against = cause.evidence.filter(({ nats }) => nats <= -CLEARLY);
  if (speaksFor.length + against.length === 0) return null;
  return (
    <div className="evidence">
      {speaksFor.length > 0 && (
        <div>
          <h3>For</h3>
          <ul>{lines(speaksFor)}</ul>
        </div>
      )}
      {against.length > 0 && (
        <div>
          <h3>Against</h3>
          <ul>{lines(against)}</ul>
        </div>
      )}
    </div>
  );
}

/** The likeliest causes, each with a bar and with what speaks for and against it in the log's own figures. */
export function CauseList(props: {
  readonly causes: readonly CauseFound[];
  /** What somebody said it was; `undefined` as long as nobody did. */
  readonly settled: Suspect | undefined;
  readonly onSettle: (cause: Suspect) => void;
}) {
  const { causes, settled, onSettle } = props;
  const units = useUnits();
  // That none fits is told when it is the likeliest; else it is only a button.
  const shown = causes
    .filter(({ cause, share }, i) => i === 0 || (cause !== null && share >= LEAST_SHARE))
    .slice(0, MOST);
  // What somebody said it was stays in sight, however unlikely it is by now.
  const said = causes.find(({ cause }) => settled !== undefined && cause === settled);
  const list = said && !shown.includes(said) ? [...shown.slice(0, MOST - 1), said] : shown;
  return (
    <>
      <ol className="bare causes" aria-label="Likely causes">
        {list.map((found, i) => {
          const { cause, share } = found;
          const title = cause === null ? NO_CAUSE : CAUSES[cause].title;
          const percent = Math.round(100 * share);
          return (
            <li key={cause ?? 'none'} className={i === 0 ? 'first' : ''}>
              <h2>{title}</h2>
              <div className="cause-bar" role="img" aria-label={`about ${percent} in 100 batches like this`}>
                <span style={{ width: `${Math.max(1, percent)}%` }} />
              </div>
              <p className="quiet">About {percent} in 100 batches like this.</p>
              <p>
                {cause === null ? NONE_EXPLAINED : toDegrees(CAUSES[cause].explained, units.temperatureUnit)}
              </p>
              <EvidenceList cause={found} />
              {settled === cause ? (
                <p className="settled">You said: this was it.</p>
              ) : (
                <Button variant="default" onClick={() => onSettle(cause)}>
                  {cause === null ? 'Mark as unknown' : 'This was it'}
                </Button>
              )}
            </li>
          );
        })}
      </ol>
      {!list.some(({ cause }) => cause === null) && (
        <Button variant="subtle" onClick={() => onSettle(null)}>
          None of these fits
        </Button>
      )}
    </>
  );
}
