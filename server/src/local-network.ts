import { hostname, networkInterfaces } from 'node:os';
import type { LocalNetwork } from './features/access/access-plugin.ts';

/** Where other devices of the local network find this computer; `null` when it is on none. */
export function findLocalNetwork(port: number): LocalNetwork | null {
  const own = Object.values(networkInterfaces())
    .flatMap((addresses) => addresses ?? [])
    .filter((a) => a.family === 'IPv4' && !a.internal)
    .map((a) => a.address);
  const first = own[0];
  if (first === undefined) return null;
  const name = hostname().toLowerCase();
  return { hosts: [...own, name, `${name}.local`], address: `http://${first}:${port}` };
}
