import { isSecureHere } from './secure-way.ts';

/** What this device can do for a kitchen, as it says of itself just now. */
export interface DeviceFacts {
  readonly secure: boolean;
  /** `ask`: the browser asks at the first scan. */
  readonly camera: 'allowed' | 'ask' | 'blocked' | 'none' | 'unsupported';
  readonly screen: 'stays-on' | 'refused' | 'unsupported';
  /** Whether the page is kept here for when the server is away. */
  readonly page: 'kept' | 'on-its-way' | 'unsupported';
  /** Whether the browser promises not to clear what is kept here. */
  readonly lasting: boolean;
  readonly notices: 'allowed' | 'ask' | 'blocked' | 'unsupported';
}

/** Browsers that know no such permission throw. */
async function permission(name: string): Promise<PermissionState | null> {
  try {
    return (await navigator.permissions.query({ name: name as PermissionName })).state;
  } catch {
    return null;
  }
}

/** Not every browser has every part that the types promise; at an address that is not secure most are missing. */
const parts = (): Partial<Omit<Navigator, 'storage'>> & { readonly storage?: Partial<StorageManager> } =>
  navigator;

async function cameraOf(): Promise<DeviceFacts['camera']> {
  const devices = parts().mediaDevices;
  if (!devices) return 'unsupported';
  const seen = await devices.enumerateDevices().catch(() => []);
  if (!seen.some(({ kind }) => kind === 'videoinput')) return 'none';
  const state = await permission('camera');
  if (state === 'denied') return 'blocked';
  return state === 'granted' ? 'allowed' : 'ask';
}

async function screenOf(): Promise<DeviceFacts['screen']> {
  const lock = parts().wakeLock;
  if (!lock) return 'unsupported';
  try {
    await (await lock.request('screen')).release();
    return 'stays-on';
  } catch {
    return 'refused';
  }
}

async function pageOf(): Promise<DeviceFacts['page']> {
  const workers = parts().serviceWorker;
  if (!workers) return 'unsupported';
  if (workers.controller) return 'kept';
  const registration = await workers.getRegistration().catch(() => undefined);
  if (registration?.active) return 'kept';
  return registration ? 'on-its-way' : 'unsupported';
}

function noticesOf(): DeviceFacts['notices'] {
  if (!('Notification' in globalThis) || !parts().serviceWorker) return 'unsupported';
  if (Notification.permission === 'granted') return 'allowed';
  return Notification.permission === 'denied' ? 'blocked' : 'ask';
}

/** Asks the device; nothing is shown and nobody is asked for a permission. */
export async function deviceFacts(): Promise<DeviceFacts> {
  const [camera, screen, page, lasting] = await Promise.all([
    cameraOf(),
    screenOf(),
    pageOf(),
    parts()
      .storage?.persisted?.()
      .catch(() => false) ?? false,
  ]);
  return {
    secure: isSecureHere(),
    camera,
    screen,
    page,
    lasting,
    notices: noticesOf(),
  };
}

/** Asks the browser not to clear what is kept here when it runs out of room. @returns whether it promised */
export const keepForGood = async (): Promise<boolean> =>
  (await parts()
    .storage?.persist?.()
    .catch(() => false)) ?? false;
