import { useMediaQuery } from '@mantine/hooks';
import { useNavigate } from 'react-router';
import { ScanButton } from './ScanButton.tsx';
import { NOT_OURS, pathOf, scannedOf } from './scanned.ts';

/** A phone or tablet in the hand scans a tag or a label, and comes to what it hangs on. */
export function ScanAnything() {
  const navigate = useNavigate();
  const inTheHand = useMediaQuery('(pointer: coarse)');
  if (!inTheHand) return null;
  return (
    <ScanButton
      label="Scan tag or label"
      onSquare={(text) => {
        const scanned = scannedOf(text);
        if (!scanned) return NOT_OURS;
        void navigate(pathOf(scanned));
        return null;
      }}
    />
  );
}
