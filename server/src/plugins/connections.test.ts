import { describe, expect, test } from '@jest/globals';
import { EventEmitter } from 'node:events';
import type { Socket } from 'node:net';
import { Connections } from './connections.ts';

/** As much of a connection as is looked at. */
class Line extends EventEmitter {
  gone = false;
  constructor(readonly remoteAddress: string) {
    super();
  }
  destroy(): void {
    this.gone = true;
    this.emit('close');
  }
}
const open = (connections: Connections, address: string, welcome = false): Line => {
  const line = new Line(address);
  connections.take(line as unknown as Socket);
  if (welcome) connections.welcome(line as unknown as Socket, true);
  return line;
};
const times = <T>(n: number, make: (i: number) => T): T[] => Array.from({ length: n }, (_, i) => make(i));
const OWN = '127.0.0.1';

describe('who holds connections', () => {
  test('one other address holds thirty-two: its oldest makes room, unless a tablet works over it', () => {
    const connections = new Connections();
    const works = open(connections, '10.0.0.5', true);
    const idle = times(40, () => open(connections, '10.0.0.5'));
    expect(works.gone).toBe(false);
    expect(idle.slice(0, 9).every(({ gone }) => gone)).toBe(true);
    expect(idle.slice(9).some(({ gone }) => gone)).toBe(false);
    expect(connections.size).toBe(32);
  });

  test('three hundred that ask for nothing keep neither a new tablet nor this computer out', () => {
    const connections = new Connections();
    const tablets = times(20, (i) => open(connections, `10.0.1.${i}`, true));
    times(300, (i) => open(connections, `10.0.2.${i % 60}`));
    expect(open(connections, '10.0.3.1').gone).toBe(false);
    expect(open(connections, OWN).gone).toBe(false);
    expect(tablets.some(({ gone }) => gone)).toBe(false);
    expect(connections.size).toBeLessThanOrEqual(256);
  });

  test('when every other connection works, what comes new is let go, and this computer has its reserve', () => {
    const connections = new Connections();
    times(224, (i) => open(connections, `10.0.${Math.floor(i / 20)}.1`, true));
    expect(open(connections, '10.9.9.9').gone).toBe(true);
    expect(times(32, () => open(connections, OWN, true)).some(({ gone }) => gone)).toBe(false);
    expect(open(connections, OWN).gone).toBe(true);
  });

  test('what closed by itself is forgotten', () => {
    const connections = new Connections();
    const lines = times(10, () => open(connections, OWN));
    for (const line of lines) line.destroy();
    expect(connections.size).toBe(0);
  });
});
