import type { DeviceAct } from '../../parts/drawings/DeviceDrawing.tsx';

/** Devices take a certificate in different ways; they are told apart by what they do after the download. */
export type DeviceKind = 'profile' | 'file' | 'computer' | 'browser';

interface Kind {
  readonly label: string;
  readonly steps: readonly { readonly act: DeviceAct; readonly text: string }[];
  /** How trust is taken away again. */
  readonly undo: string;
}

export const DEVICE_KINDS: Readonly<Record<DeviceKind, Kind>> = {
  profile: {
    label: 'asks about a profile',
    steps: [
      { act: 'allow', text: 'Tap Allow. The device says that a profile was downloaded.' },
      { act: 'settings', text: 'Open Settings. Tap the downloaded profile near the top, then Install.' },
      {
        act: 'switch',
        text: 'In Settings, open General, About, Certificate trust settings. Turn on “Morning Crock kitchen”.',
      },
    ],
    undo: 'Open Settings, General, then the page for profiles or device management. Tap “Morning Crock kitchen” and remove the profile.',
  },
  file: {
    label: 'saves a file',
    steps: [
      { act: 'save', text: 'The file morning-crock.crt is saved. Opening it is not enough.' },
      {
        act: 'search',
        text: 'Open Settings and search for “CA certificate”. It is often under Security, Encryption and credentials.',
      },
      { act: 'choose', text: 'Tap Install anyway, then choose morning-crock.crt.' },
    ],
    undo: 'Open Settings and search for “trusted credentials”. Under User, tap “Morning Crock kitchen” and remove it.',
  },
  computer: {
    label: 'is a computer',
    steps: [
      { act: 'open', text: 'Open the saved file morning-crock.crt and install it for yourself.' },
      {
        act: 'root',
        text: 'Choose the trusted root authorities as its place. If a list of certificates opens, open “Morning Crock kitchen” there and set it to always trust.',
      },
      { act: 'restart', text: 'Close every window of the browser, then open it again.' },
    ],
    undo: 'Open the computer’s list of certificates and delete “Morning Crock kitchen”.',
  },
  browser: {
    label: 'has a browser with its own list',
    steps: [
      {
        act: 'import',
        text: 'In the browser’s settings, search for “certificates”. Open the list of authorities and choose Import.',
      },
      { act: 'choose', text: 'Choose morning-crock.crt and tick the box for websites.' },
    ],
    undo: 'In the browser’s settings, search for “certificates”. In the list of authorities, delete “Morning Crock kitchen”.',
  },
};

/** What a device most likely is, by what its browser has. */
export function likelyKind(): DeviceKind {
  // Only browsers of devices that take profiles say of themselves whether a page stands alone.
  if ('standalone' in navigator && navigator.maxTouchPoints > 1) return 'profile';
  return globalThis.matchMedia('(pointer: coarse)').matches ? 'file' : 'computer';
}
