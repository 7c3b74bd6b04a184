import { chosenCook } from '../../data/device.ts';

const KEY = 'mc-practice';

/** How somebody stands with a lesson. */
export interface LessonProgress {
  readonly tries: number;
  readonly won: number;
}
type Progress = Readonly<Record<string, Readonly<Record<string, LessonProgress>>>>;

/** What this device keeps; nothing where that cannot be read. */
function kept(): Progress {
  try {
    const read: unknown = JSON.parse(localStorage.getItem(KEY) ?? '{}');
    return typeof read === 'object' && read !== null ? (read as Progress) : {};
  } catch {
    return {};
  }
}
const who = (): string => chosenCook() ?? '';

/** How the cook at this tablet stands, by lesson. It stays on this device. */
export const progressHere = (): Readonly<Record<string, LessonProgress>> => kept()[who()] ?? {};

/** Takes note of a lesson that came to its end. */
export function noteLesson(lesson: string, won: boolean): void {
  const all = kept();
  const own = all[who()] ?? {};
  const before = own[lesson] ?? { tries: 0, won: 0 };
  const after = { tries: before.tries + 1, won: before.won + (won ? 1 : 0) };
  try {
    localStorage.setItem(KEY, JSON.stringify({ ...all, [who()]: { ...own, [lesson]: after } }));
  } catch {
    // A browser that keeps nothing goes without.
  }
}

/** Forgets what the cook at this tablet practised. */
export function forgetProgress(): void {
  const { [who()]: _gone, ...others } = kept();
  localStorage.setItem(KEY, JSON.stringify(others));
}
