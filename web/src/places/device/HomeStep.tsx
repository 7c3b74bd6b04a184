import { Button } from '@mantine/core';
import { useEffect, useSyncExternalStore } from 'react';
import { keepForGood } from '../../data/device-facts.ts';
import { installPrompt } from '../../data/install-prompt.ts';
import { DeviceDrawing } from '../../parts/drawings/DeviceDrawing.tsx';

/** The page among the apps of a device: there it opens full, and is not lost among other pages. */
export function HomeStep({ onNext }: { readonly onNext: () => void }) {
  const offered = useSyncExternalStore(installPrompt.subscribe, installPrompt.isOffered);
  useEffect(() => {
    void keepForGood();
  }, []);
  const add = async (): Promise<void> => {
    if (await installPrompt.ask()) onNext();
  };
  return (
    <>
      <h1>Add to home screen</h1>
      <DeviceDrawing act="home" alone />
      {offered ? (
        <>
          <p>Morning Crock then opens from the home screen, on the whole screen.</p>
          <Button className="great" h={72} onClick={() => void add()}>
            Add to home screen
          </Button>
        </>
      ) : (
        <p>
          Open the browser’s menu or its share sign. Choose “Add to home screen” or “Install”. Open Morning
          Crock from there next time. If it asks for the kitchen code there, enter the code once more.
        </p>
      )}
      <Button variant="default" h={56} onClick={onNext}>
        {offered ? 'Skip' : 'Next'}
      </Button>
    </>
  );
}
