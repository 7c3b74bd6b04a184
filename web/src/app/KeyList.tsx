import { Dialog } from '../parts/fields/Dialog.tsx';
import { KeyRows } from '../parts/keys/KeyRows.tsx';

/** The list of all keys. */
export function KeyList({ onClose }: { readonly onClose: () => void }) {
  return (
    <Dialog onClose={onClose} title="Keyboard shortcuts">
      <KeyRows />
      <p className="quiet above-m">
        Shortcuts pause while you type in a field. You can turn them off in Kitchen.
      </p>
    </Dialog>
  );
}
