/**
 * What every first view asks the kitchen for, asked before the page itself is awake: its answers come while the page is still being
 * put together.
 */
interface Early {
  readonly response: Response;
  /** When it was sent and when its answer began, ms since 1970. */
  readonly sentMs: number;
  readonly receivedMs: number;
}

/** Whoever has not asked for it by then asks anew, ms. */
const KEPT_MS = 5000;
const MAKE_PATH = /^\/makes\/([0-9A-HJKMNP-TV-Z]{26})$/;

const asked = new Map<string, Promise<Early | null>>();

async function ask(path: string): Promise<Early | null> {
  const sentMs = Date.now();
  try {
    const response = await fetch(`/${path}`);
    return { response, sentMs, receivedMs: Date.now() };
  } catch {
    return null;
  }
}

/** Asks ahead. @param pathname of the page that is opened */
export function askEarly(pathname: string): void {
  const make = MAKE_PATH.exec(pathname)?.[1];
  for (const path of [
    'api/kitchen',
    'api/makes?latest=30',
    'api/days',
    ...(make ? [`api/makes/${make}`] : []),
  ])
    asked.set(path, ask(path));
  setTimeout(() => asked.clear(), KEPT_MS);
}

/** An answer that was asked for ahead, once; `null` when there is none. @example earlyAnswer('api/kitchen') */
export async function earlyAnswer(path: string): Promise<Early | null> {
  const answer = asked.get(path);
  asked.delete(path);
  return (await answer) ?? null;
}
