import { readBy } from './contract.ts';
import { keptDrafts } from './outbox.ts';

/** A network that does not answer within this does not lead there either. */
const WAIT_MS = 4000;

/** Whether the page's address is one that browsers think safe. */
export const isSecureHere = (): boolean => globalThis.isSecureContext;

/** Where this kitchen is secure, and whom to trust for that. */
export interface SecureWay {
  readonly secure: string;
  readonly fingerprint: string;
}

/** @returns `null` when this kitchen has no secure address, or does not answer */
export async function secureWay(): Promise<SecureWay | null> {
  try {
    const answer = await fetch('/api/secure', { signal: AbortSignal.timeout(WAIT_MS) });
    const { secure, fingerprint } = await readBy('secureResponse', await answer.json());
    return secure !== null && fingerprint !== null ? { secure, fingerprint } : null;
  } catch {
    return null;
  }
}

/** Whether this device trusts an address: a browser fetches nothing from one that it does not. */
export async function isTrusted(secure: string): Promise<boolean> {
  try {
    // What is answered may not be read by this page, and need not be.
    await fetch(`${secure}/trusted`, {
      mode: 'no-cors',
      cache: 'no-store',
      signal: AbortSignal.timeout(WAIT_MS),
    });
    return true;
  } catch {
    return false;
  }
}

/** The same place at the secure address. @example sameAt('https://192.168.7.5:4621', { pathname: '/tag/7', search: '', hash: '' }) // 'https://192.168.7.5:4621/tag/7' */
export const sameAt = (
  secure: string,
  { pathname, search, hash }: Pick<Location, 'pathname' | 'search' | 'hash'>,
): string => `${secure}${pathname}${search}${hash}`;

/**
 * Leads a device that trusts this kitchen from the plain address to the secure one: a label that was scanned, or an address
 * that was typed. Entries that wait to be sent lie in what the browser keeps for the plain one: they go first.
 */
export async function leadOn(): Promise<void> {
  if (isSecureHere()) return;
  const way = await secureWay();
  if (!way || !(await isTrusted(way.secure))) return;
  if ((await keptDrafts().catch(() => [])).length > 0) return;
  globalThis.location.replace(sameAt(way.secure, globalThis.location));
}
