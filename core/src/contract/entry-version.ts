/** The version of the event shapes below; `broughtUp` says what older ones mean. */
export const EVENT_VERSION = 4;
/** Every answer of a server says by it which version it writes. */
export const ENTRY_VERSION_HEADER = 'x-entry-version';
