import { Modal } from '@mantine/core';
import { KeyRows } from '../parts/keys/KeyRows.tsx';
import '../parts/fields/modal-styles.ts';

/** The list of all keys. */
export function KeyList({ onClose }: { readonly onClose: () => void }) {
  return (
    <Modal opened onClose={onClose} title="Keyboard shortcuts">
      <KeyRows />
      <p className="quiet above-m">
        Shortcuts pause while you type in a field. You can turn them off in Kitchen.
      </p>
    </Modal>
  );
}
