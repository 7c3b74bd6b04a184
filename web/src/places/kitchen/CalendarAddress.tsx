import { Button } from '@mantine/core';
import { toDataURL } from 'qrcode';
import { useState } from 'react';
import {
  errorWords,
  useCalendarAddressQuery,
  useNewCalendarAddressMutation,
  useRevokeCalendarAddressMutation,
  useTabletsQuery,
} from '../../data/api.ts';
import { useUnits } from '../../data/use-units.ts';

/** Phones open a calendar's address in their calendar when it begins so. */
const asSubscription = (address: string): string => address.replace(/^https?:/, 'webcal:');

/** An address with a secret, at which calendars of phones ask what is coming. */
export function CalendarAddress() {
  const units = useUnits();
  const { data: network } = useTabletsQuery();
  const { data } = useCalendarAddressQuery();
  const [renew] = useNewCalendarAddressMutation();
  const [revoke] = useRevokeCalendarAddressMutation();
  const [shown, setShown] = useState<{ address: string; secure: string | null; picture: string } | null>(
    null,
  );
  const [fault, setFault] = useState<string | null>(null);
  if (!network || !data) return null;
  const { address, secure } = network;
  const show = async (): Promise<void> => {
    setFault(null);
    try {
      const { path } = await renew().unwrap();
      const whole = `${address}${path}`;
      setShown({
        address: whole,
        secure: secure === null ? null : `${secure}${path}`,
        picture: await toDataURL(asSubscription(whole), { margin: 1, width: 220 }),
      });
    } catch (error) {
      setFault(errorWords(error));
    }
  };
  const end = async (): Promise<void> => {
    setFault(null);
    try {
      await revoke().unwrap();
      setShown(null);
    } catch (error) {
      setFault(errorWords(error));
    }
  };
  return (
    <section className="section column" aria-labelledby="calendar">
      <h2 id="calendar">Calendar</h2>
      {address === null ? (
        <p className="quiet">
          A phone’s calendar can follow this kitchen once the server is started with{' '}
          <code>npm start -- --lan</code>. Until then, Day downloads a schedule as a calendar file.
        </p>
      ) : (
        <>
          <p>
            A phone’s calendar can follow this kitchen: what needs you today and later, from batches under way
            and from the day.
          </p>
          {data.since !== null && !shown && (
            <p className="quiet">
              The calendar address was made on {units.day(Date.parse(data.since))} and shown then. A new
              address ends the old one.
            </p>
          )}
          <div className="row">
            <Button variant="default" onClick={() => void show()}>
              {data.since === null ? 'Make calendar address' : 'Make new address'}
            </Button>
            {data.since !== null && (
              <Button variant="default" onClick={() => void end()}>
                Stop calendar
              </Button>
            )}
          </div>
          {shown && (
            <div role="status" className="column">
              <p className="breaks-anywhere">{shown.address}</p>
              <img
                src={shown.picture}
                width="220"
                height="220"
                alt="Code to scan, to follow with a calendar"
              />
              {shown.secure !== null && (
                <p className="breaks-anywhere">
                  On devices that trust this kitchen, better: <br />
                  {shown.secure}
                </p>
              )}
              <p className="quiet">
                Shown once. Anyone who has this address can read what you make and when, and nothing else. The
                phone must be on this network to update. Times are forecasts.
              </p>
            </div>
          )}
        </>
      )}
      {fault && (
        <p className="field-error" role="alert">
          {fault}
        </p>
      )}
    </section>
  );
}
