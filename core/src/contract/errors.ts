import type { ErrorBody, ErrorCode, ErrorDetail } from './error-body.ts';

/** Every error that crosses a border: its status, what happened, and what to do next. */
export const ERROR_CODES = {
  'bad-input': {
    status: 400,
    message: 'Something in the entry is not right.',
    next: 'Mend the field that is named; nothing was changed.',
  },
  'not-found': { status: 404, message: 'That is not here.', next: 'Look it up in the Daybook.' },
  'same-id-other-body': {
    status: 409,
    message: 'This entry was already stored with other content.',
    next: 'Reload the page and look; what was stored first stands.',
  },
  'ahead-of-clock': {
    status: 422,
    message: 'The time lies in the future.',
    next: 'Check the clock of this device; the entry is kept here.',
  },
  'clock-behind': {
    status: 422,
    message: 'The time lies long before this batch.',
    next: 'Set the clock of this device, then correct the time; the entry is kept here.',
  },
  'make-finished': {
    status: 422,
    message: 'This make is finished.',
    next: 'Correct, weigh, taste or note; a later step needs a new make.',
  },
  'no-such-make': { status: 422, message: 'There is no make to add this to.', next: 'Start the make first.' },
  'already-started': {
    status: 422,
    message: 'This make was already started.',
    next: 'Open it from the Bench.',
  },
  'laid-meanwhile': {
    status: 409,
    message: 'Another tablet laid this day out meanwhile.',
    next: 'Look at the day as it is now; nothing was changed.',
  },
  'bad-target': {
    status: 422,
    message: 'The entry to change is not in this make.',
    next: 'Reload the page and look again.',
  },
  'wrong-file': {
    status: 422,
    message: 'This file is not a Morning Crock export.',
    next: 'Choose a file made with Export; nothing was changed.',
  },
  'newer-file': {
    status: 422,
    message: 'This file comes from a newer Morning Crock.',
    next: 'Update this one first; nothing was changed.',
  },
  'too-large': {
    status: 413,
    message: 'That is too much at once.',
    next: 'Send it in smaller pieces; nothing was changed.',
  },
  'not-allowed-here': {
    status: 403,
    message: 'Only pages of this kitchen may do that.',
    next: 'Open Morning Crock at its own address.',
  },
  'code-needed': {
    status: 401,
    message: 'This tablet has not joined the kitchen yet.',
    next: 'Type the kitchen code shown where Morning Crock was started.',
  },
  'wrong-code': {
    status: 403,
    message: 'That is not the kitchen code.',
    next: 'Look at the code again; a new one is made at each start.',
  },
  'too-many-tries': {
    status: 429,
    message: 'Too many wrong codes.',
    next: 'Wait ten minutes, then try again.',
  },
  'not-empty': {
    status: 422,
    message: 'This kitchen has makes already.',
    next: 'Restore into a new, empty kitchen; nothing was changed.',
  },
  'not-enough': {
    status: 422,
    message: 'There is not so much milk.',
    next: 'Take less or another lot; the plan is as you typed it.',
  },
  'in-use': {
    status: 422,
    message: 'Later entries are built on this one.',
    next: 'Take those back or correct them first, or recount the lot; nothing was changed.',
  },
  'database-away': {
    status: 503,
    message: 'The record cannot be reached.',
    next: 'Wait a moment; entries are kept on this device and sent later.',
  },
  'disk-full': {
    status: 507,
    message: 'The disk of the kitchen’s computer is full.',
    next: 'Make room there; entries are kept on this device and sent by themselves when there is.',
  },
  'read-only': {
    status: 503,
    message: 'The kitchen’s database takes no entries just now: it can only be read.',
    next: 'Restart Morning Crock on the kitchen’s computer; entries are kept on this device and sent later.',
  },
  busy: {
    status: 503,
    message: 'The kitchen’s computer is busy with other sums.',
    next: 'Ask again in a moment.',
  },
  internal: {
    status: 500,
    message: 'Something went wrong inside.',
    next: 'Try again; what was stored before is safe.',
  },
} as const satisfies Readonly<
  Record<ErrorCode, { readonly status: number; readonly message: string; readonly next: string }>
>;

/** Builds the body of an error from the table. */
export function errorOf(code: ErrorCode, details: readonly ErrorDetail[] = []): ErrorBody {
  const { message, next } = ERROR_CODES[code];
  return { code, message, next, details: [...details] };
}
