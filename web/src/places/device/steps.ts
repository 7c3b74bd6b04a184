/** What is set up on a device after it joined, in order; the check at the end stands by itself too. */
const STEPS = ['home', 'sound', 'notices', 'check'] as const;
export type Step = (typeof STEPS)[number];

/** A page that is not secure can be neither kept nor notify: what is left is the sound. */
export const stepsFor = (secure: boolean): readonly Step[] => (secure ? STEPS : ['sound', 'check']);

/** Where the device was going when it was asked to join: a label that was scanned. */
const GOING_TO = 'mc-going-to';
export const goingTo = {
  keep: (path: string): void => {
    if (path !== '/join') sessionStorage.setItem(GOING_TO, path);
  },
  take: (): string => {
    const path = sessionStorage.getItem(GOING_TO) ?? '/';
    sessionStorage.removeItem(GOING_TO);
    return path;
  },
};
