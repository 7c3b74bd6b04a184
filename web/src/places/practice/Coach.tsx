import {
  CLUES,
  COMPLAINTS_OF,
  complaintKnown,
  faultyKindsOf,
  HOUR_MS,
  type MakeState,
  type WhyAnswer,
} from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { useUnits } from '../../data/use-units.ts';
import { requestWhy } from '../../workers/kitchen-client.ts';
import { inDegrees } from './practice-words.ts';
import type { Session } from './session.ts';
import { useSessionState } from './use-session.ts';

const READING_WORDS = {
  cue: 'Look at it: tilt the jar.',
  temperature: 'Measure its temperature.',
  ph: 'Measure its pH.',
} as const;

/** What to look at now, by the question that would tell most of what may be wrong. */
function lookWords(answer: WhyAnswer | null, state: MakeState): string {
  const best = answer?.ask;
  if (best) return 'reading' in best ? READING_WORDS[best.reading] : CLUES[best.clue].asks;
  const step = state.current?.step;
  return step?.due?.text ?? step?.doing ?? '';
}

/** Help on request, and only then: what to look at, and at the higher levels what is likely. */
export function Coach(props: {
  readonly session: Session;
  readonly no: number;
  readonly hidden: boolean;
  readonly onForecast: () => void;
}) {
  const { session, no, hidden, onForecast } = props;
  const units = useUnits();
  const { batches } = useSessionState(session);
  const { state, events, id } = batches[no]!;
  const [said, setSaid] = useState('');
  const [busy, setBusy] = useState(false);
  const look = async (): Promise<void> => {
    session.asks();
    const sours = state.current?.step.facts.sours === true;
    const complaint = complaintKnown(state) ?? (sours ? 'not-set' : null);
    const may =
      complaint !== null && faultyKindsOf(state.plan).some((kind) => COMPLAINTS_OF[kind].includes(complaint));
    let answer: WhyAnswer | null = null;
    if (may) {
      setBusy(true);
      const nowMs = Math.floor(session.now() / (HOUR_MS / 4)) * (HOUR_MS / 4);
      answer = await requestWhy(
        `why ${id}`,
        id,
        events,
        { complaint, answers: {}, nowMs, settled: [] },
        () => undefined,
      ).catch(() => null);
      setBusy(false);
    }
    setSaid(inDegrees(lookWords(answer, state), units));
  };
  return (
    <div className="coach">
      <div className="row">
        <Button variant="default" loading={busy} onClick={() => void look()}>
          What would you look at?
        </Button>
        {hidden && (
          <Button
            variant="default"
            onClick={() => {
              session.asks();
              onForecast();
            }}
          >
            What is likely?
          </Button>
        )}
      </div>
      <p role="status" className="coach-said">
        {said}
      </p>
    </div>
  );
}
