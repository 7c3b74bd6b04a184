import { Button } from '@mantine/core';
import { Component, type ReactNode } from 'react';
import { useRouteError } from 'react-router';
import './mishap.css';

/** Says what happened, what is safe and what to do; never a blank page. */
function Mishap({ what }: { readonly what: string }) {
  return (
    <section className="column reading mishap" role="alert">
      <h2>{what}</h2>
      <p>Your entries are safe. They are saved, or waiting on this device to be sent.</p>
      <Button variant="default" onClick={() => window.location.reload()}>
        Try again
      </Button>
    </section>
  );
}

/** A place that could not be opened. */
export function PlaceMishap() {
  const error = useRouteError();
  const fetching = error instanceof TypeError && error.message.includes('import');
  return (
    <Mishap
      what={
        fetching
          ? 'This page cannot be opened. The server is not answering.'
          : 'Something went wrong on this page.'
      }
    />
  );
}

/** Keeps a part that fails (a picture whose code could not be fetched) from taking the page with it. */
export class Contained extends Component<
  { readonly children: ReactNode; readonly instead: ReactNode },
  { failed: boolean }
> {
  override state = { failed: false };

  static getDerivedStateFromError(): { failed: boolean } {
    return { failed: true };
  }

  override render(): ReactNode {
    return this.state.failed ? this.props.instead : this.props.children;
  }
}
