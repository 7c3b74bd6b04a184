import '../../parts/fields/form-styles.ts';
import { Button } from '@mantine/core';
import { useEffect, useState } from 'react';
import { isTrusted, sameAt, type SecureWay } from '../../data/secure-way.ts';
import { DeviceDrawing } from '../../parts/drawings/DeviceDrawing.tsx';
import { Choices } from '../../parts/fields/Choices.tsx';
import { DEVICE_KINDS, likelyKind, type DeviceKind } from './device-kinds.ts';
import './joining.css';

const KINDS = (Object.keys(DEVICE_KINDS) as DeviceKind[]).map((value) => ({
  value,
  label: DEVICE_KINDS[value].label,
}));
/** The first figures are enough to tell two certificates apart. */
const SHOWN_CHARACTERS = 19;

/** Leads a device through trusting this kitchen, and on to the secure address once it does. */
export function TrustStep(props: {
  readonly way: SecureWay;
  /** What the button says that passes this by. */
  readonly skip: string;
  readonly onSkip: () => void;
}) {
  const { way, skip, onSkip } = props;
  const [kind, setKind] = useState(likelyKind);
  const [checked, setChecked] = useState<'not-yet' | 'checking' | 'not-trusted'>('not-yet');
  const check = async (asked: boolean): Promise<void> => {
    if (asked) setChecked('checking');
    if (await isTrusted(way.secure)) globalThis.location.assign(sameAt(way.secure, globalThis.location));
    else if (asked) setChecked('not-trusted');
  };
  useEffect(() => {
    // Whoever comes back from the settings need not say so.
    const look = (): void => {
      if (document.visibilityState === 'visible') void check(false);
    };
    document.addEventListener('visibilitychange', look);
    return () => document.removeEventListener('visibilitychange', look);
  });
  const { steps, undo } = DEVICE_KINDS[kind];
  return (
    <main className="joining column">
      <p className="quiet">First, trust this kitchen</p>
      <h1>Set up this device</h1>
      <p>
        A device that trusts this kitchen can scan tags and labels, keep its screen on, work while the network
        is away and show alarms outside the page. You do this once.
      </p>
      <Button component="a" href="/morning-crock.crt" className="great" h={72}>
        Download certificate
      </Button>
      <div>
        <p>
          Fingerprint of this kitchen (SHA-256)
          <br />
          <strong className="number larger">{way.fingerprint.slice(0, SHOWN_CHARACTERS)}</strong> …
        </p>
        <p className="quiet">
          Compare it with the kitchen’s computer, under Kitchen, Tablets and back-up. If it differs, do not
          install the certificate.
        </p>
      </div>
      <Choices legend="After the download, this device" value={kind} options={KINDS} onChange={setKind} />
      <ol className="joining-steps">
        {steps.map(({ act, text }) => (
          <li key={text}>
            <DeviceDrawing act={act} />
            <span>{text}</span>
          </li>
        ))}
      </ol>
      <p className="quiet">Names in your device’s settings may differ a little.</p>
      <Button variant="default" h={56} loading={checked === 'checking'} onClick={() => void check(true)}>
        Check and go on
      </Button>
      {checked === 'not-trusted' && (
        <p className="field-error" role="alert">
          This device does not trust the kitchen yet. Follow every step above, then check again.
        </p>
      )}
      <details>
        <summary className="unfolds">What does trusting mean, and how is it undone?</summary>
        <div className="column">
          <p>
            The certificate belongs to this kitchen alone. It works for addresses of home networks only:
            nobody can use it to imitate a website.
          </p>
          <p>To undo: {undo}</p>
        </div>
      </details>
      <Button variant="default" h={56} onClick={onSkip}>
        {skip}
      </Button>
      <p className="quiet">
        Without it everything else works. Anyone who listens on your network can then read what this device
        sends.
      </p>
    </main>
  );
}
