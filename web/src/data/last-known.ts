import { ANSWERS, openDeviceDatabase } from './database.ts';

/** Answers that follow from others or are too large to be worth keeping. */
const NOT_KEPT = /^api\/(tablets|calendar|backup|milk\/ledger)|\/traces\//;

/** Keeps the latest answer to a question, for when the server is away. A browser that keeps nothing goes without. */
export function keepAnswer(path: string, body: unknown): void {
  if (NOT_KEPT.test(path)) return;
  void openDeviceDatabase()
    .then((db) => db.put(ANSWERS, body, path))
    .catch(() => undefined);
}

let old = false;

/** Whether something old was shown since this was last asked: then everything is asked for again. */
export function takeShownOld(): boolean {
  const was = old;
  old = false;
  return was;
}

/** The latest answer kept, `undefined` when there is none. */
export async function lastAnswer(path: string): Promise<unknown> {
  try {
    const answer: unknown = await (await openDeviceDatabase()).get(ANSWERS, path);
    old ||= answer !== undefined;
    return answer;
  } catch {
    return undefined;
  }
}
