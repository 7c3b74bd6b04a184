import { CERTIFICATE_DAYS, type Authority } from './features/secure/authority.ts';
import type { SecureServer } from './features/secure/secure-server.ts';
import { DAY_MS } from '@morning-crock/core';

/** A third of its time is left by then at the latest. */
const RENEW_BEFORE_MS = (CERTIFICATE_DAYS / 3) * DAY_MS;

/**
 * Shows another certificate when this computer has got other names or addresses, and long before the shown one ends.
 * @returns to be asked now and then; tells whether it was renewed
 */
export function keepCertificate(options: {
  readonly authority: Authority;
  readonly server: Pick<SecureServer, 'show'>;
  readonly hosts: () => readonly string[];
  readonly clock: () => number;
  /** What is shown already. */
  readonly shown: { readonly hosts: readonly string[]; readonly validUntilMs: number };
}): () => Promise<boolean> {
  const { authority, server, hosts, clock } = options;
  let shown = { for: options.shown.hosts.join(' '), validUntilMs: options.shown.validUntilMs };
  return async () => {
    const now = hosts();
    if (now.join(' ') === shown.for && shown.validUntilMs - clock() > RENEW_BEFORE_MS) return false;
    const certificate = await authority.issue(now, clock());
    server.show(certificate);
    shown = { for: now.join(' '), validUntilMs: certificate.validUntilMs };
    return true;
  };
}
