import * as z from 'zod';
import { computeSum } from './compute.ts';
import { SUM_INPUTS, SUM_OUTPUTS, type SumInput, type SumName } from './schemas.ts';

/** What a call at the command-line door came to. */
export type DoorAnswer =
  { readonly ok: true; readonly json: unknown } | { readonly ok: false; readonly message: string };

const isSum = (name: string): name is SumName => Object.hasOwn(SUM_INPUTS, name);

/** Names of all sums with the JSON Schema of what they take and give. */
export function listSums(): unknown {
  return (Object.keys(SUM_INPUTS) as SumName[]).map((name) => ({
    name,
    in: z.toJSONSchema(SUM_INPUTS[name], { io: 'input', unrepresentable: 'any' }),
    out: z.toJSONSchema(SUM_OUTPUTS[name]),
  }));
}

function answerOne(name: SumName, raw: unknown, place: string): DoorAnswer {
  // A whole case { name, in, out } is answered as a case; the bare fields of `in` are answered with `out`.
  const wrapped = typeof raw === 'object' && raw !== null && 'in' in raw;
  const parsed = SUM_INPUTS[name].safeParse(wrapped ? raw.in : raw);
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!;
    const path = [place, wrapped ? 'in' : '', ...issue.path.map(String)]
      .filter((part) => part !== '')
      .join('.');
    return { ok: false, message: `${path || '(the whole input)'}: ${issue.message}` };
  }
  const out = computeSum(name, parsed.data as SumInput<SumName>);
  return { ok: true, json: wrapped ? { ...(raw as object), out } : out };
}

/**
 * Answers one call: an object in gives an object, an array in gives an array.
 * @param text JSON as it came from standard input
 */
export function answerSum(name: string, text: string): DoorAnswer {
  if (!isSum(name))
    return {
      ok: false,
      message: `there is no tool called "${name}"; try: list, ${Object.keys(SUM_INPUTS).join(', ')}`,
    };
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return { ok: false, message: '(the whole input): is not JSON' };
  }
  if (!Array.isArray(raw)) return answerOne(name, raw, '');
  const results: unknown[] = [];
  for (const [index, item] of raw.entries()) {
    const answer = answerOne(name, item, String(index));
    if (!answer.ok) return answer;
    results.push(answer.json);
  }
  return { ok: true, json: results };
}
