import { BlockList, isIP } from 'node:net';

/** Names that no network outside the home gives to anybody. */
const HOME_DOMAINS = ['local', 'localhost', 'lan', 'home.arpa', 'internal'] as const;

/** Addresses that lead nowhere outside the home: [network, bits]. */
const HOME_NETWORKS = [
  ['127.0.0.0', 8],
  ['10.0.0.0', 8],
  ['172.16.0.0', 12],
  ['192.168.0.0', 16],
  ['169.254.0.0', 16],
  // Shared by a provider's customers; networks laid over others give them too.
  ['100.64.0.0', 10],
  ['::1', 128],
  ['fc00::', 7],
  ['fe80::', 10],
] as const;

const family = (address: string): 'ipv4' | 'ipv6' => (isIP(address) === 6 ? 'ipv6' : 'ipv4');

const homes = new BlockList();
for (const [network, bits] of HOME_NETWORKS) homes.addSubnet(network, bits, family(network));

/** All that an authority of ours may vouch for, as it says in its own certificate: a stolen key opens nothing else. */
export const HOME = {
  domains: HOME_DOMAINS,
  networks: HOME_NETWORKS.map(([network, bits]) => `${network}/${bits}`),
};

/**
 * Whether a name or address belongs to a home.
 * @example isOfHome('192.168.7.5') // true
 * @example isOfHome('dairy.local') // true
 * @example isOfHome('203.0.113.9') // false
 */
export function isOfHome(host: string): boolean {
  const address = host.replace(/^\[(.*)\]$/, '$1');
  if (isIP(address) !== 0) return homes.check(address, family(address));
  return HOME_DOMAINS.some((domain) => host === domain || host.endsWith(`.${domain}`));
}
