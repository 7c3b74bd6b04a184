import type { MakeState } from '@morning-crock/core';
import { Button, FileButton } from '@mantine/core';
import { useRef, useState } from 'react';
import { ulid } from 'ulid';
import { errorWords, useEarlierPhotosQuery, useStorePhotoMutation } from '../../data/api.ts';
import { now } from '../../data/clock.ts';
import { deviceId } from '../../data/device.ts';
import { useUnits } from '../../data/use-units.ts';
import { Pictures } from '../../parts/print/Pictures.tsx';
import { shrunkPicture } from '../../parts/print/shrink-picture.ts';

/** The maker's own pictures at this step: those of the last makes beside the question, and one of now. */
export function Looks({ state }: { readonly state: MakeState }) {
  const step = state.current?.step;
  if (!step || !(step.facts.sours || step.facts.looks)) return null;
  return <StepLooks key={step.id} state={state} step={step.id} kind={step.kind} />;
}

function StepLooks(props: { readonly state: MakeState; readonly step: string; readonly kind: string }) {
  const { state, step, kind } = props;
  const units = useUnits();
  const reset = useRef<() => void>(null);
  const { data: earlier = [] } = useEarlierPhotosQuery({
    product: state.plan.product,
    step: kind,
    not: state.id,
  });
  const [store, { isLoading }] = useStorePhotoMutation();
  const [fault, setFault] = useState<string | null>(null);
  /** Taken and not stored yet: it is not lost when the server is away for a moment. */
  const [waiting, setWaiting] = useState<{ id: string; jpeg: string; url: string; at: string } | null>(null);
  const own = state.events.flatMap((e) => (e.type === 'photographed' && e.data.step === step ? [e] : []));
  async function send(picture: NonNullable<typeof waiting>): Promise<void> {
    setWaiting(picture);
    setFault(null);
    try {
      const { id, jpeg, at } = picture;
      await store({
        makeId: state.id,
        photo: { photoId: id, jpeg, at, step, deviceId: deviceId() },
      }).unwrap();
      setWaiting(null);
    } catch (error) {
      setFault(`The photo is not saved yet. ${errorWords(error)}`);
    }
  }
  async function take(file: File | null): Promise<void> {
    if (!file) return;
    setFault(null);
    try {
      const { jpeg, url } = await shrunkPicture(file);
      await send({ id: ulid(), jpeg, url, at: new Date(Math.round(now())).toISOString() });
    } catch (error) {
      setFault(error instanceof Error ? error.message : 'This picture cannot be read. Try another one.');
    }
  }
  return (
    <section aria-label="Photos" className="looks">
      {earlier.length > 0 && (
        <>
          <h2>Compare with earlier batches</h2>
          <Pictures
            pictures={earlier.map((p) => ({
              id: p.photoId,
              words: `${p.makeName}, ${units.day(Date.parse(p.at))}`,
              to: `/daybook/${p.makeId}`,
            }))}
          />
        </>
      )}
      {own.length > 0 && (
        <Pictures
          pictures={own.map((e) => ({
            id: e.data.photoId,
            words: `now, ${units.time(Date.parse(e.at), now())}`,
          }))}
        />
      )}
      <div className="row">
        <FileButton
          resetRef={reset}
          accept="image/*"
          capture="environment"
          onChange={(file) => {
            reset.current?.();
            void take(file);
          }}
        >
          {(button) => (
            <Button {...button} variant="default" loading={isLoading}>
              Take photo
            </Button>
          )}
        </FileButton>
        {waiting && !isLoading && (
          <>
            <img src={waiting.url} alt="Not saved yet" className="look-waiting" />
            <Button onClick={() => void send(waiting)}>Try again</Button>
            <Button
              variant="subtle"
              onClick={() => {
                setWaiting(null);
                setFault(null);
              }}
            >
              Discard photo
            </Button>
          </>
        )}
      </div>
      {fault && (
        <p role="alert" className="field-error">
          {fault}
        </p>
      )}
    </section>
  );
}
