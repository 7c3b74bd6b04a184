import { Modal } from '@mantine/core';
import './key-list.css';
import '../parts/modal-styles.ts';

const KEYS = [
  ['?', 'show these shortcuts'],
  ['n', 'new batch'],
  ['/', 'go to a page'],
  ['d', 'mark the step as done (in a batch)'],
  ['r', 'add a reading (in a batch)'],
  ['u', 'undo your last entry (in a batch)'],
  ['0–9', 'type a reading (in a batch)'],
] as const;

/** The list of all keys. */
export function KeyList({ onClose }: { readonly onClose: () => void }) {
  return (
    <Modal opened onClose={onClose} title="Keyboard shortcuts">
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
      <p className="quiet above-m">
        Shortcuts pause while you type in a field. You can turn them off in Kitchen.
      </p>
    </Modal>
  );
}
