import { Modal } from '@mantine/core';

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
      <dl style={{ display: 'grid', gridTemplateColumns: '64px 1fr', gap: 8, margin: 0 }}>
        {KEYS.map(([key, does]) => (
          <div key={key} style={{ display: 'contents' }}>
            <dt>
              <kbd>{key}</kbd>
            </dt>
            <dd style={{ margin: 0 }}>{does}</dd>
          </div>
        ))}
      </dl>
      <p className="quiet" style={{ marginTop: 16 }}>
        They rest while you type in a field, and can be turned off in Kitchen.
      </p>
    </Modal>
  );
}
