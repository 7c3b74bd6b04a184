import { useTabletsQuery } from './api.ts';

const LOOPBACK: readonly string[] = ['127.0.0.1', 'localhost', '[::1]'];
/** Whether an address opens on the kitchen's own computer alone. */
export const opensHereOnly = (address: string): boolean => LOOPBACK.includes(new URL(address).hostname);

/**
 * The address by which other devices open this kitchen: what is printed for phones to scan. It is the one tablets join at, which
 * leads every device: those that trust this kitchen on to the secure one, the others to what they need. The page's own where
 * there is no other.
 */
export function useKitchenAddress(): string {
  const { data } = useTabletsQuery();
  return data?.address ?? window.location.origin;
}
