import '../../parts/fields/form-styles.ts';
import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
import type { ErrorBody } from '@morning-crock/core/contract';
import { isSecureHere } from '../../data/secure-way.ts';
import { goingTo, stepsFor } from './steps.ts';
import './joining.css';

/** Asks a tablet of the local network, once, for the kitchen code. */
export function JoinForm() {
  // A scanned code stands behind the #, where no server sees it.
  const [code, setCode] = useState(() => decodeURIComponent(window.location.hash.slice(1)));
  const [name, setName] = useState('Tablet');
  const [fault, setFault] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const ask = async (): Promise<void> => {
    setAsking(true);
    try {
      const answer = await fetch('/api/join', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ code, name }),
      });
      if (answer.ok) {
        goingTo.keep(window.location.pathname);
        window.location.replace(`/device?step=${stepsFor(isSecureHere())[0]}`);
        return;
      }
      const { message, next } = (await answer.json()) as ErrorBody;
      setFault(`${message} ${next}`);
    } catch {
      setFault('The kitchen’s server is not answering. Try again.');
    } finally {
      setAsking(false);
    }
  };
  return (
    <main className="join">
      <img src="/crock.svg" width="72" height="72" alt="" />
      <h1>Join this kitchen</h1>
      <p>
        Enter the kitchen code. You will find it on the computer that runs Morning Crock. On a tablet already
        joined, open Kitchen, then Tablets.
      </p>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void ask();
        }}
      >
        <TextInput
          label="Kitchen code"
          value={code}
          maxLength={40}
          autoComplete="off"
          autoCapitalize="characters"
          error={fault !== null}
          onChange={(e) => {
            setCode(e.currentTarget.value);
            setFault(null);
          }}
        />
        {fault && (
          <p className="field-error" role="alert">
            {fault}
          </p>
        )}
        <TextInput
          label="Name of this tablet"
          value={name}
          maxLength={80}
          onChange={(e) => setName(e.currentTarget.value)}
        />
        <Button
          type="submit"
          className="great"
          h={72}
          loading={asking}
          disabled={code.trim() === '' || name.trim() === ''}
        >
          Join kitchen
        </Button>
      </form>
    </main>
  );
}
