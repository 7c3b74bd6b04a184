import { CHURN_FACTS, churnWindowC, CHURN_TOLD, told } from '@morning-crock/core';
import { Link } from 'react-router';
import { useUnits } from '../../../data/use-units.ts';
import type { PanelProps } from './panel.ts';

/** What may be wrong at the break, and what to do about it: one lump, greasy, or whipped back in. */
export function AtTheBreak({ live: { state } }: PanelProps) {
  const units = useUnits();
  const churn = state.steps.find(({ step }) => step.kind === 'churn')?.step.instance;
  if (churn?.kind !== 'churn') return null;
  const lump = told(state, CHURN_TOLD).stages.at(-1)?.stage === 'lump';
  const { blades } = CHURN_FACTS[churn.churn];
  const [coldest] = churnWindowC(state.plan.milk);
  return (
    <details open={lump} className="at-the-break">
      <summary className="unfolds">Trouble at the break?</summary>
      <ul>
        <li>
          <strong>One lump:</strong> the butter has closed up around its buttermilk. Break it up in iced
          water, wash once more than planned and work longer. This butter will not keep as long.
        </li>
        <li>
          <strong>Greasy, smears:</strong> the butter was too warm. Put it in iced water for 15–30 minutes,
          until a spoon dents it without sinking. Then wash and work it cold. Start the next batch at about{' '}
          {units.temperature(coldest)}.
        </li>
        <li>
          <strong>{blades ? 'Whipped back into cream:' : 'Grains too fine:'}</strong>{' '}
          {blades
            ? 'the blades ran too long. Cool the cream below '
            : 'they run through the sieve. Add a cup of water below '}
          {units.temperature(10)}
          {blades
            ? ', then pulse. The butter breaks again within a minute or two.'
            : ' and turn slowly a few times.'}
        </li>
      </ul>
      <Link to={`/why/${state.id}?complaint=too-quick`}>Find out what went wrong</Link>
    </details>
  );
}
