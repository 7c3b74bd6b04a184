import { Button } from '@mantine/core';
import { toDataURL } from 'qrcode';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { errorWords, useNewCodeMutation, useRevokeTabletMutation, useTabletsQuery } from '../../data/api.ts';
import { secureWay, type SecureWay } from '../../data/secure-way.ts';
import { useUnits } from '../../data/use-units.ts';

/** Devices of the local network: who has joined, a new code, sending one away. */
export function Tablets() {
  const units = useUnits();
  const { data } = useTabletsQuery();
  const [revoke] = useRevokeTabletMutation();
  const [makeCode] = useNewCodeMutation();
  const [shown, setShown] = useState<{ code: string; address: string; picture: string } | null>(null);
  const [way, setWay] = useState<SecureWay | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  useEffect(() => {
    void secureWay().then(setWay);
  }, []);
  if (!data) return null;
  const here = ['127.0.0.1', 'localhost'].includes(window.location.hostname);
  const show = async (code: string, address: string): Promise<void> => {
    const picture = await toDataURL(`${address}/join#${code}`, { margin: 1, width: 220 });
    setShown({ code, address, picture });
  };
  const renew = async (): Promise<void> => {
    setFault(null);
    try {
      const { code, address } = await makeCode().unwrap();
      await show(code, address);
    } catch (error) {
      setFault(errorWords(error));
    }
  };
  const away = async (id: string): Promise<void> => {
    setFault(null);
    try {
      // Whoever is sent away knows the code: there is a new one, for those who may still join.
      const { code } = await revoke(id).unwrap();
      if (code !== null && data.address !== null) await show(code, data.address);
    } catch (error) {
      setFault(errorWords(error));
    }
  };
  return (
    <section className="section" aria-labelledby="tablets">
      <h2 id="tablets">Tablets</h2>
      {data.address === null ? (
        <p className="quiet">
          Only this computer can open the page. Start the server with <code>npm start -- --lan</code>, and
          tablets on the same network can join with a code.
        </p>
      ) : (
        <>
          <p>
            Address: <strong>{data.address}</strong>
          </p>
          {here && (
            <Button variant="default" onClick={() => void renew()}>
              Show new kitchen code
            </Button>
          )}
          {shown && (
            <div role="status">
              <p className="number large">{shown.code}</p>
              <img
                src={shown.picture}
                width="220"
                height="220"
                alt={`Code to scan, to join at ${shown.address}`}
              />
              <p>Scan this with a phone or tablet. It leads through the rest.</p>
              <p className="quiet">The old code no longer works. Tablets that have joined stay joined.</p>
            </div>
          )}
          {data.tablets.length === 0 && <p className="quiet">No tablet has joined yet.</p>}
        </>
      )}
      {way && (
        <p>
          Fingerprint: <strong className="number">{way.fingerprint}</strong>
          <br />
          <span className="quiet">
            A device that trusts this kitchen opens {data.secure}. It shows the same fingerprint before you
            install the certificate.
          </span>
        </p>
      )}
      <ul className="bare">
        {data.tablets.map((tablet) => (
          <li className="row tall-row" key={tablet.id}>
            <span className="grows">
              {tablet.name}
              <br />
              <span className="quiet">last seen {units.day(Date.parse(tablet.lastSeenAt))}</span>
            </span>
            {here && (
              <Button
                variant="default"
                aria-label={`Remove ${tablet.name}`}
                onClick={() => void away(tablet.id)}
              >
                Remove tablet
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Link to="/device">Check what works on this device</Link>
      {fault && (
        <p className="field-error" role="alert">
          {fault}
        </p>
      )}
    </section>
  );
}
