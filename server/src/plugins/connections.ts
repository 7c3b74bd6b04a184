import type { FastifyRequest } from 'fastify';
import fp from 'fastify-plugin';
import type { Server, Socket } from 'node:net';

/** Far more than a kitchen has tablets, far fewer than would take the computer's memory. */
const MOST = 256;
/** What one other address may hold: a tablet needs seven. */
const MOST_OF_ONE = 32;
/** Kept for the computer that runs the kitchen. */
const RESERVE = 32;
/** A body that is not there by then is not waited for, unless it is a file. */
const BODY_WITHIN_MS = 30_000;

const OWN = new Set(['127.0.0.1', '::1', '::ffff:127.0.0.1']);
/** Whether an address is that of the computer that runs the kitchen. */
export const isThisComputer = (address: string): boolean => OWN.has(address);

/** Both ends of a connection, by which an encrypted one and what lies under it are known to be the same. */
const endsOf = ({ localPort, remoteAddress, remotePort }: Socket): string =>
  `${localPort} ${remoteAddress} ${remotePort}`;

interface Held {
  readonly socket: Socket;
  readonly address: string;
  /** Whether somebody who may come in asked over it, and nothing of a request is still outstanding. */
  welcome: boolean;
}

declare module 'fastify' {
  interface FastifyContextConfig {
    /** A route that takes a file: however long it is on its way. */
    takesFile?: true;
  }
  interface FastifyInstance {
    readonly connections: Connections;
  }
}

/**
 * Keeps a way in for whoever belongs here: connections that ask for nothing, or do not finish asking, make room for new
 * ones, the oldest first; one address holds only so many, and some are kept for this computer.
 */
export class Connections {
  private readonly held = new Map<Socket, Held>();
  /** What lies under an encrypted connection. */
  private readonly under = new WeakMap<Socket, Socket>();

  /** Watches all connections of a server, from before they are encrypted. */
  watch(server: Server): void {
    /** Connections that are not encrypted yet. */
    const bare = new Map<string, Socket>();
    server.on('connection', (socket: Socket) => {
      const ends = endsOf(socket);
      bare.set(ends, socket);
      socket.once('close', () => bare.delete(ends));
      this.take(socket);
    });
    server.on('secureConnection', (encrypted: Socket) => {
      const socket = bare.get(endsOf(encrypted));
      if (socket) this.under.set(encrypted, socket);
    });
  }

  /** Takes a new connection in; another one, or itself, is let go when there are too many. */
  take(socket: Socket): void {
    const address = socket.remoteAddress ?? '';
    const own: Held = { socket, address, welcome: false };
    this.held.set(socket, own);
    socket.once('close', () => this.held.delete(socket));
    const all = [...this.held.values()];
    const same = all.filter((one) => one.address === address);
    const strangers = all.filter((one) => !isThisComputer(one.address));
    if (!isThisComputer(address) && same.length > MOST_OF_ONE) this.letGo(same, own);
    else if (!isThisComputer(address) && strangers.length > MOST - RESERVE) this.letGo(strangers, own);
    else if (all.length > MOST) this.letGo(all, own);
  }

  /** Says whether a request on it is from somebody who belongs here, and all there. */
  welcome(socket: Socket, welcome: boolean): void {
    const one = this.held.get(this.under.get(socket) ?? socket);
    if (one) one.welcome = welcome;
  }

  get size(): number {
    return this.held.size;
  }

  private letGo(among: readonly Held[], latest: Held): void {
    const idle = among.find((one) => !one.welcome && one !== latest);
    const gone = idle ?? latest;
    this.held.delete(gone.socket);
    gone.socket.destroy();
  }
}

/** Watches who holds connections, and how long bodies take. Comes before access: it is told there who belongs here. */
export const connectionsPlugin = fp<{ bodyMs: number | undefined }>(
  (app, { bodyMs = BODY_WITHIN_MS }, done) => {
    const connections = new Connections();
    const waiting = new WeakMap<FastifyRequest, NodeJS.Timeout>();
    connections.watch(app.server);
    app.addHook('onRequest', (request, _reply, next) => {
      const { socket } = request.raw;
      connections.welcome(socket, false);
      if (request.routeOptions.config.takesFile !== true && request.raw.headers['content-length'] !== '0') {
        const timer = setTimeout(() => {
          if (!request.raw.complete) socket.destroy();
        }, bodyMs);
        timer.unref();
        waiting.set(request, timer);
      }
      next();
    });
    // Behind access and the body. Who only asked for the page, or guesses at the code, makes room for others.
    app.addHook('preHandler', (request, _reply, next) => {
      clearTimeout(waiting.get(request));
      if (isThisComputer(request.ip) || request.tabletId !== null)
        connections.welcome(request.raw.socket, true);
      next();
    });
    app.addHook('onResponse', (request, _reply, next) => {
      clearTimeout(waiting.get(request));
      next();
    });
    app.decorate('connections', connections);
    done();
  },
  { name: 'connections' },
);
