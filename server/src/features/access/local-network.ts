/** How other devices of the local network reach this kitchen. Asked anew each time: a computer changes its address. */
export interface LocalNetwork {
  /** Names and addresses it answers to, without port. */
  readonly hosts: readonly string[];
  /** Where devices join, open to all of them; `null` while the computer is on no network. */
  readonly address: string | null;
  /** The port of its secure addresses; left out where there are none. */
  readonly securePort?: number;
}

/**
 * The same host behind the secure port.
 * @example secureAddressOf('http://192.168.7.5:4620', 4621) // 'https://192.168.7.5:4621'
 */
export const secureAddressOf = (address: string, port: number): string =>
  `https://${new URL(address).hostname}:${port}`;
