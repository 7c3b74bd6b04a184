/** The package brings no types of its own. */
declare module 'pino-roll' {
  import type { EventEmitter } from 'node:events';
  import type { DestinationStream } from 'pino';
  export default function build(options: {
    file: string;
    size: string;
    limit: { count: number };
    mkdir: boolean;
  }): Promise<DestinationStream & EventEmitter>;
}
