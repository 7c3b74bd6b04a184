import { useEffect, useState } from 'react';
import { isSecureHere, secureWay, type SecureWay } from '../../data/secure-way.ts';
import { JoinForm } from './JoinForm.tsx';
import { TrustStep } from './TrustStep.tsx';

/** What a device meets that does not belong here yet: first whom to trust, where that is possible, then the kitchen code. */
export function Join() {
  const [way, setWay] = useState<SecureWay | null | 'asked'>(isSecureHere() ? null : 'asked');
  const [skipped, setSkipped] = useState(false);
  useEffect(() => {
    if (!isSecureHere()) void secureWay().then(setWay);
  }, []);
  if (way === 'asked') return null;
  return way && !skipped ? (
    <TrustStep way={way} skip="Join without it" onSkip={() => setSkipped(true)} />
  ) : (
    <JoinForm />
  );
}
