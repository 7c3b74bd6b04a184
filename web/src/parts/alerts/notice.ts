/** Something to be said outside of the page, while nobody looks at it. */
export interface Notice {
  /** One of the same takes the place of the one before. */
  readonly tag: string;
  readonly title: string;
  readonly text: string;
  /** Where a tap on it leads. */
  readonly path: string;
  /** Stays until somebody has seen it. */
  readonly stays: boolean;
}

/** What shows notices also while the page sleeps; `null` where the browser has none, or nobody allowed it. */
async function shower(): Promise<ServiceWorkerRegistration | null> {
  if (!('Notification' in globalThis) || Notification.permission !== 'granted') return null;
  if (!('serviceWorker' in navigator)) return null;
  return (await navigator.serviceWorker.getRegistration().catch(() => undefined)) ?? null;
}

/** Asks for leave to show notices; must be called from a tap. @returns whether they may be shown */
export async function allowNotices(): Promise<boolean> {
  if (!('Notification' in globalThis)) return false;
  return (await Notification.requestPermission()) === 'granted';
}

/** Shows a notice outside of the page. @returns whether the browser took it */
export async function showNotice({ tag, title, text, path, stays }: Notice): Promise<boolean> {
  const registration = await shower();
  if (!registration) return false;
  try {
    await registration.showNotification(title, {
      tag,
      body: text,
      icon: '/crock-192.png',
      badge: '/crock-192.png',
      requireInteraction: stays,
      data: { path },
    });
    return true;
  } catch {
    return false;
  }
}

/** Takes away the notices whose tag begins so: what they said is seen. */
export async function takeNotices(beginning: string): Promise<void> {
  const registration = await shower();
  const shown = (await registration?.getNotifications().catch(() => [])) ?? [];
  for (const notice of shown) if (notice.tag.startsWith(beginning)) notice.close();
}
