/** What a browser offers that can put the page on the home screen by itself. */
interface InstallPrompt extends Event {
  prompt(): Promise<{ readonly outcome: 'accepted' | 'dismissed' }>;
}

let offered: InstallPrompt | null = null;
const watchers = new Set<() => void>();
const tell = (): void => {
  for (const told of watchers) told();
};

/** Keeps the browser's offer until somebody wants it: it is made once, at any moment. */
export function keepInstallPrompt(): void {
  globalThis.addEventListener('beforeinstallprompt', (event) => {
    event.preventDefault();
    offered = event as InstallPrompt;
    tell();
  });
  globalThis.addEventListener('appinstalled', () => {
    offered = null;
    tell();
  });
}

/** For a component that shows the offer. */
export const installPrompt = {
  subscribe: (told: () => void): (() => void) => {
    watchers.add(told);
    return () => watchers.delete(told);
  },
  isOffered: (): boolean => offered !== null,
  /** Shows the browser's own question. @returns whether it was answered with yes */
  ask: async (): Promise<boolean> => {
    const answer = await offered?.prompt();
    offered = null;
    tell();
    return answer?.outcome === 'accepted';
  },
};
