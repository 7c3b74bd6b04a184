import { connect, createServer, type AddressInfo, type Socket } from 'node:net';

/** A door through which this computer looks like another device: it speaks from another address. */
export interface Door {
  readonly port: number;
  /** Where it leads to; nowhere until that is said. */
  leadTo(port: number): void;
  close(): Promise<void>;
}

/** @param localAddress whose it seems to be */
export async function openDoor(localAddress = '127.0.0.2'): Promise<Door> {
  const sockets = new Set<Socket>();
  let to = 0;
  const door = createServer((socket) => {
    const onward = connect({ host: '127.0.0.1', port: to, localAddress });
    sockets.add(socket).add(onward);
    for (const one of [socket, onward]) one.once('close', () => sockets.delete(one));
    socket.pipe(onward).pipe(socket);
    socket.on('error', () => onward.destroy());
    onward.on('error', () => socket.destroy());
  });
  await new Promise<void>((resolve) => door.listen(0, '127.0.0.1', resolve));
  return {
    port: (door.address() as AddressInfo).port,
    leadTo: (port) => {
      to = port;
    },
    close: async () => {
      for (const socket of sockets) socket.destroy();
      await new Promise<void>((resolve) => door.close(() => resolve()));
    },
  };
}
