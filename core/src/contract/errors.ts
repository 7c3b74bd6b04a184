import type { ErrorBody, ErrorCode, ErrorDetail } from './error-body.ts';

/** Every error that crosses a border: its status, what happened, and what to do next. */
export const ERROR_CODES = {
  'bad-input': {
    status: 400,
    message: 'Something in this entry is not right.',
    next: 'Nothing was changed. Correct the field that is named.',
  },
  'not-found': {
    status: 404,
    message: 'That page or entry does not exist.',
    next: 'Look for it in the Daybook.',
  },
  'same-id-other-body': {
    status: 409,
    message: 'This entry was already saved with different content.',
    next: 'The first version is kept. Reload the page to see it.',
  },
  'ahead-of-clock': {
    status: 422,
    message: 'That time is in the future.',
    next: 'The entry is kept on this device. Check the device’s clock.',
  },
  'clock-behind': {
    status: 422,
    message: 'That time is long before this batch began.',
    next: 'The entry is kept on this device. Set the device’s clock, then correct the time.',
  },
  'make-finished': {
    status: 422,
    message: 'This batch is finished.',
    next: 'You can still edit entries, weigh, taste or add a note. For a further step, start a new batch.',
  },
  'no-such-make': {
    status: 422,
    message: 'There is no batch to add this to.',
    next: 'Start the batch first.',
  },
  'already-started': {
    status: 422,
    message: 'This batch has already been started.',
    next: 'Open the batch from the Bench.',
  },
  'laid-meanwhile': {
    status: 409,
    message: 'Another tablet has just replanned this day.',
    next: 'Nothing was changed. Look at the new plan first.',
  },
  'bad-target': {
    status: 422,
    message: 'The entry to change is not in this batch.',
    next: 'Nothing was changed. Reload the page and look again.',
  },
  'wrong-file': {
    status: 422,
    message: 'This file is not a Morning Crock export.',
    next: 'Nothing was changed. Choose a file made with Export.',
  },
  'newer-file': {
    status: 422,
    message: 'This file comes from a newer version of Morning Crock.',
    next: 'Nothing was changed. Update this Morning Crock first.',
  },
  'too-large': {
    status: 413,
    message: 'That is too much to send at once.',
    next: 'Nothing was changed. Send it in smaller parts.',
  },
  'not-allowed-here': {
    status: 403,
    message: 'Only this kitchen’s own pages can do that.',
    next: 'Open Morning Crock at its own address.',
  },
  'no-network': {
    status: 409,
    message: 'This computer is not on a network.',
    next: 'Connect it to your network, then try again.',
  },
  'code-needed': {
    status: 401,
    message: 'This tablet has not joined the kitchen yet.',
    next: 'Type the kitchen code shown on the computer that runs Morning Crock.',
  },
  'wrong-code': {
    status: 403,
    message: 'That is not the kitchen code.',
    next: 'Check the code. It changes every time Morning Crock starts.',
  },
  'too-many-tries': {
    status: 429,
    message: 'Too many wrong codes.',
    next: 'Wait ten minutes, then try again.',
  },
  'not-empty': {
    status: 422,
    message: 'This kitchen already has batches.',
    next: 'Nothing was changed. Restore into a new, empty kitchen.',
  },
  'not-enough': {
    status: 422,
    message: 'There is not enough milk.',
    next: 'Your plan is unchanged. Take less milk or choose another lot.',
  },
  'in-use': {
    status: 422,
    message: 'Later entries depend on this one.',
    next: 'Nothing was changed. Undo or edit the later entries first, or recount the lot.',
  },
  'database-away': {
    status: 503,
    message: 'The kitchen’s records cannot be reached.',
    next: 'Entries are kept on this device and sent later. Wait a moment.',
  },
  'disk-full': {
    status: 507,
    message: 'The disk of the kitchen’s computer is full.',
    next: 'Entries are kept on this device and sent once there is room. Free some space on that computer.',
  },
  'read-only': {
    status: 503,
    message: 'The kitchen’s database can only be read at the moment.',
    next: 'Entries are kept on this device and sent later. Restart Morning Crock on the kitchen’s computer.',
  },
  busy: {
    status: 503,
    message: 'The kitchen’s computer is busy with other calculations.',
    next: 'Try again in a moment.',
  },
  internal: {
    status: 500,
    message: 'Something went wrong in Morning Crock.',
    next: 'Everything saved before is safe. Try again.',
  },
} as const satisfies Readonly<
  Record<ErrorCode, { readonly status: number; readonly message: string; readonly next: string }>
>;

/** Builds the body of an error from the table. */
export function errorOf(code: ErrorCode, details: readonly ErrorDetail[] = []): ErrorBody {
  const { message, next } = ERROR_CODES[code];
  return { code, message, next, details: [...details] };
}
