import { Button } from '@mantine/core';
import { IconAlertTriangle, IconCircleCheck, IconCircleX } from '@tabler/icons-react';
import { useCallback, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { deviceFacts, type DeviceFacts } from '../../data/device-facts.ts';
import type { SecureWay } from '../../data/secure-way.ts';
import { soundUnlocked } from '../../parts/alerts/sound.ts';
import { abilities, type Ability } from './ability-words.ts';

const SIGN = { yes: IconCircleCheck, maybe: IconAlertTriangle, no: IconCircleX } as const;
const WORD = { yes: 'Works', maybe: 'Not certain', no: 'Does not work' } as const;

function AbilityLine({ ability: { name, works, text } }: { readonly ability: Ability }) {
  const Icon = SIGN[works];
  return (
    <li>
      <Icon size={28} stroke={1.8} aria-label={WORD[works]} className={works === 'no' ? 'danger' : ''} />
      <strong>{name}</strong>
      <span className="quiet">{text}</span>
    </li>
  );
}

/** What works on this device and what does not, as it is now. */
export function CheckStep(props: {
  /** Where this kitchen is secure, when this address is not. */
  readonly way: SecureWay | null;
  /** Ends the setting up; `null` when only looked at. */
  readonly onDone: (() => void) | null;
}) {
  const { way, onDone } = props;
  const [facts, setFacts] = useState<DeviceFacts | null>(null);
  const check = useCallback(() => void deviceFacts().then(setFacts), []);
  useEffect(() => {
    check();
    document.addEventListener('visibilitychange', check);
    return () => document.removeEventListener('visibilitychange', check);
  }, [check]);
  return (
    <>
      <h1>What works on this device</h1>
      {facts && (
        <ul className="bare abilities">
          {abilities(facts, soundUnlocked()).map((ability) => (
            <AbilityLine key={ability.name} ability={ability} />
          ))}
        </ul>
      )}
      {onDone && (
        <Button className="great" h={72} onClick={onDone}>
          Open the kitchen
        </Button>
      )}
      {way && (
        <Button
          component={Link}
          to="/device?step=trust"
          className={onDone ? undefined : 'great'}
          h={onDone ? 56 : 72}
        >
          Trust this kitchen
        </Button>
      )}
      <div className="row">
        <Button variant="default" h={48} onClick={check}>
          Check again
        </Button>
        {!onDone && (
          <>
            <Button component={Link} to="/device?step=sound" variant="default" h={48}>
              Play sound
            </Button>
            {facts?.secure && facts.notices === 'ask' && (
              <Button component={Link} to="/device?step=notices" variant="default" h={48}>
                Allow notifications
              </Button>
            )}
          </>
        )}
      </div>
    </>
  );
}
