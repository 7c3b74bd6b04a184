import { methodFile, type Method } from '../contract/index.ts';
import { findRecipe, readRecipe } from './recipe.ts';

/** No method is larger, characters. */
export const MOST_FILE_CHARS = 200_000;

const NOTICE =
  'A method from one kitchen. Times and yields are estimates. Follow your local rules and your licence.';

/** A method as a file of its own. */
export const methodJson = (method: Method): string =>
  JSON.stringify({ format: 'morning-crock-method', version: 1, notice: NOTICE, method }, null, 2);

/** What came of a file. */
export type MethodRead =
  | { readonly ok: true; readonly method: Omit<Method, 'id'>; readonly notUnderstood: readonly string[] }
  | { readonly ok: false; readonly message: string };

/** Reads a method's file: one of this program, or a recipe of another; a clear word when it is neither. */
export function readMethodFile(text: string): MethodRead {
  if (text.length > MOST_FILE_CHARS)
    return { ok: false, message: 'is too large for a method (200 kB at most). Nothing was read' };
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return { ok: false, message: 'is not a JSON file. Nothing was read' };
  }
  if (findRecipe(raw)) {
    const read = readRecipe(raw);
    return read
      ? { ok: true, ...read }
      : { ok: false, message: 'is a recipe without instructions. Nothing was read' };
  }
  if (typeof raw === 'object' && raw !== null && 'format' in raw && raw.format === 'morning-crock-method') {
    if ('version' in raw && typeof raw.version === 'number' && raw.version > 1)
      return { ok: false, message: 'comes from a newer version of Morning Crock. Update this one first' };
    const parsed = methodFile.safeParse(raw);
    if (parsed.success) {
      const { id: _id, ...method } = parsed.data.method;
      return { ok: true, method, notUnderstood: [] };
    }
    const issue = parsed.error.issues[0]!;
    return { ok: false, message: `${issue.path.join('.')} ${issue.message}. Nothing was read` };
  }
  return {
    ok: false,
    message: 'is neither a Morning Crock method nor a recipe (schema.org). Nothing was read',
  };
}
