import { hostname, networkInterfaces } from 'node:os';
import type { LocalNetwork } from './features/access/local-network.ts';

/** Addresses of this computer that others reach, as they are now. */
const ownAddresses = (): string[] =>
  Object.values(networkInterfaces())
    .flatMap((addresses) => addresses ?? [])
    .filter((a) => a.family === 'IPv4' && !a.internal)
    .map((a) => a.address);

/**
 * Where other devices find this computer, asked of the computer each time: it may get another address while it runs.
 * @param options.name what the kitchen says it is called on its network, shown and printed instead of an address
 */
export function localNetwork(options: {
  readonly port: number;
  readonly securePort: number;
  readonly name?: string;
  /** Left out, this computer's. */
  readonly addresses?: () => readonly string[];
}): LocalNetwork {
  const { port, securePort, name, addresses = ownAddresses } = options;
  const own = hostname().toLowerCase();
  return {
    get hosts() {
      // What the kitchen calls itself comes first: it stays when the address changes.
      return [...(name === undefined ? [] : [name]), ...addresses(), own, `${own}.local`];
    },
    get address() {
      const host = name ?? addresses()[0];
      return host === undefined ? null : `http://${host}:${port}`;
    },
    securePort,
  };
}
