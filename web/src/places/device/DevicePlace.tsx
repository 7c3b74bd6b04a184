import { useEffect, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { isSecureHere, secureWay, type SecureWay } from '../../data/secure-way.ts';
import { CheckStep } from './CheckStep.tsx';
import { HomeStep } from './HomeStep.tsx';
import { NoticeStep } from './NoticeStep.tsx';
import { SoundStep } from './SoundStep.tsx';
import { goingTo, stepsFor, type Step } from './steps.ts';
import { TrustStep } from './TrustStep.tsx';
import './joining.css';

/** Sets up this device one step after another, or says what works on it. */
export function DevicePlace() {
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const [way, setWay] = useState<SecureWay | null>(null);
  useEffect(() => {
    if (!isSecureHere()) void secureWay().then(setWay);
  }, []);
  const asked = search.get('step');
  const steps = stepsFor(isSecureHere());
  const at = steps.findIndex((step) => step === asked);
  if (asked === 'trust' && way)
    return <TrustStep way={way} skip="Not now" onSkip={() => void navigate('/device')} />;
  const go = (step: Step | undefined): void =>
    void navigate(step === undefined ? goingTo.take() : `/device?step=${step}`, { replace: true });
  const onNext = (): void => go(steps[at + 1]);
  const step = steps[at] ?? 'check';
  return (
    <div className="joining column">
      {at >= 0 && (
        <p className="quiet">
          Step {at + 1} of {steps.length}
        </p>
      )}
      {step === 'home' && <HomeStep onNext={onNext} />}
      {step === 'sound' && <SoundStep onNext={onNext} />}
      {step === 'notices' && <NoticeStep onNext={onNext} />}
      {step === 'check' && <CheckStep way={way} onDone={at >= 0 ? onNext : null} />}
    </div>
  );
}
