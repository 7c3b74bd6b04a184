import { CHURN_FACTS, churnWindowC } from '@morning-crock/core';
import { useUnits } from '../../../data/use-units.ts';
import type { PanelProps } from './panel.ts';

/** What may have gone wrong at the break, and what to do about it: one lump, greasy, or whipped back in. */
export function WentWrong({ live: { state } }: PanelProps) {
  const units = useUnits();
  const churn = state.steps.find(({ step }) => step.facts.parts)?.step.instance;
  if (churn?.kind !== 'churn') return null;
  const lump = state.stages.at(-1)?.stage === 'lump';
  const { blades } = CHURN_FACTS[churn.churn];
  const [coldest] = churnWindowC(state.plan.milk);
  return (
    <details open={lump} className="went-wrong">
      <summary className="unfolds">Not as it should be?</summary>
      <ul>
        <li>
          <strong>One lump:</strong> it closed up around its buttermilk. Break it up in iced water, wash it
          once more than planned, work it longer; it keeps shorter.
        </li>
        <li>
          <strong>Greasy, smears:</strong> it was too warm. Into iced water for 15 to 30 minutes until a spoon
          dents it without sinking, then wash and work it cold. Begin the next one at about{' '}
          {units.temperature(coldest)}.
        </li>
        <li>
          <strong>{blades ? 'Whipped back into cream:' : 'Grains too fine to hold:'}</strong>{' '}
          {blades
            ? 'the blades ran on. Cool it below '
            : 'they run through the sieve. Pour in a cup of water below '}
          {units.temperature(10)}
          {blades ? ', then pulse: it breaks again within a minute or two.' : ' and turn slowly a few times.'}
        </li>
      </ul>
    </details>
  );
}
