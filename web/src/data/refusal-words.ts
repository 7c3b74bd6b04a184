import type { ErrorBody } from '@morning-crock/core/contract';

/** What the server has against an entry: what, where and what to do next, as sentences. */
export function refusalWords({ message, details, next }: ErrorBody): string {
  const what = details.map((d) => d.message).join('; ');
  return [message, what === '' ? '' : `${what}.`, next].filter((part) => part !== '').join(' ');
}
