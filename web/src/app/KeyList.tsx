import { Modal } from '@mantine/core';
import './key-list.css';
import '../parts/modal-styles.ts';

const KEYS = [
  ['?', 'show these keys'],
  ['n', 'new make'],
  ['/', 'go to a place'],
  ['d', 'step done (in a make)'],
  ['r', 'reading: go to the pad (in a make)'],
  ['u', 'undo your last entry (in a make)'],
  ['0–9', 'type into the pad (in a make)'],
] as const;

/** The list of all keys. */
export function KeyList({ onClose }: { readonly onClose: () => void }) {
  return (
    <Modal opened onClose={onClose} title="Keys">
      <dl className="key-list">
        {KEYS.map(([key, does]) => (
          <div className="key-row" key={key}>
            <dt>
              <kbd>{key}</kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <p className="quiet above-m">They rest while you type in a field, and can be turned off in Kitchen.</p>
    </Modal>
  );
}
