import { Modal } from '@mantine/core';
import { KEYS } from '../parts/keys.ts';
import '../parts/key-list.css';
import '../parts/modal-styles.ts';

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
