import { TAKEN_WORD } from '@morning-crock/core';
import { TAKEN_FOR, type TakenFor } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useState } from 'react';
import type { LarderNow } from '../../data/use-larder.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { saveFile } from '../../parts/print/save-file.ts';
import { LarderLines } from './LarderLines.tsx';
import { leftCsv } from './left-csv.ts';

type Shown = 'all' | TakenFor;
const MOST_SHOWN = 200;

/** What left the larder, on which day, from which lots; printed, a list of the sales. */
export function Left({ larder }: { readonly larder: LarderNow }) {
  const units = useUnits();
  const { site } = useKitchen();
  const [shown, setShown] = useState<Shown>('all');
  const left = larder.lines.filter(
    ({ kind }) => TAKEN_FOR.some((reason) => reason === kind) && (shown === 'all' || kind === shown),
  );
  const kg = left.reduce((sum, { massKg }) => sum + massKg, 0);
  const paid = left.reduce((sum, { price }) => sum + (price ?? 0), 0);
  return (
    <div className="column paper">
      <Choices
        legend="Show"
        value={shown}
        options={[
          { value: 'all', label: 'All' },
          ...TAKEN_FOR.map((value) => ({ value, label: TAKEN_WORD[value] })),
        ]}
        onChange={setShown}
      />
      {left.length === 0 ? (
        <p className="quiet">{larder.known ? 'No entries of this kind.' : 'Opening …'}</p>
      ) : (
        <>
          <p className="months-word">
            {units.mass(kg)} {shown === 'all' ? 'taken out of the larder' : TAKEN_WORD[shown]}
            {paid > 0 ? `, ${units.cost(paid)} earned` : ''}.
          </p>
          <LarderLines lines={left.slice(-MOST_SHOWN)} goods={larder.goods} named />
          {left.length > MOST_SHOWN && (
            <p className="quiet">
              Showing the latest {MOST_SHOWN} of {left.length}.
            </p>
          )}
          <div className="row wide">
            <Button variant="default" h={56} onClick={() => window.print()}>
              Print list
            </Button>
            <Button
              variant="default"
              h={56}
              onClick={() =>
                saveFile(
                  'left-the-larder.csv',
                  new Blob([leftCsv(left, larder.goods, site.zone)], { type: 'text/csv' }),
                )
              }
            >
              Download CSV
            </Button>
          </div>
        </>
      )}
    </div>
  );
}
