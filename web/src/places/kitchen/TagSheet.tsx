import { Button } from '@mantine/core';
import { toString } from 'qrcode';
import { useState } from 'react';
import { opensHereOnly, useKitchenAddress } from '../../data/kitchen-address.ts';
import { NumberField } from '../../parts/fields/NumberField.tsx';
import { MOST_TAG, tagCode } from '../../parts/print/tag-code.ts';
import '../../parts/print/paper.css';
import './tag-sheet.css';

/** More on one sheet are too small to scan. */
const MOST_ON_SHEET = 48;

/** Nothing else reaches an address of this computer alone. */
const ONLY_HERE =
  ' These codes open only on this computer. Start the kitchen with “npm start -- --lan” before you print, and phones can open them too.';

/** Numbered tags for jars, to print and cut out: read by eye, tapped, or scanned. */
export function TagSheet() {
  const address = useKitchenAddress();
  const [from, setFrom] = useState(1);
  const [to, setTo] = useState(12);
  const [tags, setTags] = useState<readonly { readonly tag: number; readonly picture: string }[]>([]);
  const whole = (tag: number): string | null =>
    Number.isInteger(tag) && tag >= 1 && tag <= MOST_TAG ? null : `Use tag numbers 1 to ${MOST_TAG}.`;
  const faults = {
    from: whole(from),
    to:
      whole(to) ??
      (to < from
        ? 'Enter the first tag number or a higher one.'
        : to - from >= MOST_ON_SHEET
          ? `At most ${MOST_ON_SHEET} tags fit on a sheet.`
          : null),
  };
  const show = async (): Promise<void> => {
    const numbers = Array.from({ length: to - from + 1 }, (_, i) => from + i);
    setTags(
      await Promise.all(
        numbers.map(async (tag) => ({
          tag,
          picture: `data:image/svg+xml,${encodeURIComponent(await toString(tagCode(tag, address), { type: 'svg', margin: 1 }))}`,
        })),
      ),
    );
  };
  return (
    <section className="section" aria-labelledby="tag-sheet">
      <h2 id="tag-sheet">Jar tags</h2>
      <p className="quiet">
        Print the tags, cut them out and hang one on each culturing jar. A phone that scans one opens its
        batch.
        {opensHereOnly(address) && ONLY_HERE}
      </p>
      <div className="field-row">
        <NumberField label="First tag" unit="number" value={from} fault={faults.from} onValue={setFrom} />
        <NumberField label="Last tag" unit="number" value={to} fault={faults.to} onValue={setTo} />
        <Button
          variant="default"
          disabled={faults.from !== null || faults.to !== null}
          onClick={() => void show()}
          mt="auto"
        >
          Show tags
        </Button>
      </div>
      {tags.length > 0 && (
        <>
          <ul className="bare tag-sheet paper" aria-label="Tags to cut out">
            {tags.map(({ tag, picture }) => (
              <li key={tag}>
                <span className="number">{tag}</span>
                <img src={picture} alt={`Code to scan, tag ${tag}`} width="96" height="96" />
              </li>
            ))}
          </ul>
          <Button onClick={() => window.print()}>Print tags</Button>
        </>
      )}
    </section>
  );
}
