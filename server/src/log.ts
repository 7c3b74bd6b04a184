import { pino, type Logger } from 'pino';
import build from 'pino-roll';

/** A few files of this size are kept, the oldest goes. */
const FILE_SIZE = '2m';
const FILES_KEPT = 4;

/**
 * The log of faults: files that are begun anew when they are large, beside the kitchen's data.
 * @param file where; a number is put before its ending
 */
export async function createLog(file: string): Promise<Logger> {
  const stream = await build({ file, size: FILE_SIZE, limit: { count: FILES_KEPT }, mkdir: true });
  // A full disk takes no lines; that is no reason to end.
  stream.on('error', () => undefined);
  return pino({ level: 'warn' }, stream);
}
