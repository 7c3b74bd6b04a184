import { computeAccessibleName, getRole, isInaccessible } from 'dom-accessibility-api';

/**
 * Runs in the page: finds what a screen reader would call by a name. The browser's own accessibility tree would do the
 * same, but keeping it while a page works costs more than the page itself.
 */

const TAKES_A_NAME = 'a[href], button, input, select, summary, textarea, [role], [tabindex]';

/** Spaces count once, as they do for a screen reader. */
const plain = (text: string): string => text.replace(/\s+/g, ' ').trim();

/** The first element with this name (and role), `null` when there is none that a screen reader would meet. */
function named(name: string, role?: string): HTMLElement | null {
  for (const element of document.querySelectorAll<HTMLElement>(TAKES_A_NAME)) {
    if (role !== undefined && getRole(element) !== role) continue;
    if (plain(computeAccessibleName(element)) !== name || isInaccessible(element)) continue;
    return element;
  }
  return null;
}

const boxOf = (element: HTMLElement): string => {
  const { x, y, width, height } = element.getBoundingClientRect();
  return `${x} ${y} ${width} ${height}`;
};

let before: { readonly element: HTMLElement; readonly box: string } | null = null;

/** What was aimed at last, and whether the finger came down where nothing takes a tap: the page had moved under it. */
let aimed: HTMLElement | null = null;
let beside = false;
const TAKES_A_TAP = 'a, button, input, label, select, textarea, summary';

const TAPS_KEPT = 4;
/** What the last taps hit: where a finger came down, and whether it was taken for a tap there. */
const taps: string[] = [];
for (const kind of ['pointerdown', 'click'] as const)
  document.addEventListener(
    kind,
    ({ target }) => {
      if (!(target instanceof Element)) return;
      const hit = target.closest(TAKES_A_NAME) ?? target;
      if (kind === 'pointerdown')
        beside = aimed !== null && !aimed.contains(target) && !target.closest(TAKES_A_TAP);
      taps.push(`${kind} on ${hit.tagName.toLowerCase()} “${plain(hit.textContent).slice(0, 60)}”`);
      taps.splice(0, taps.length - TAPS_KEPT);
    },
    { capture: true },
  );

/** Where to tap it: only once it stands still, in sight, uncovered and not switched off; asked again and again until then. */
function tapPoint(name: string, role: string): { readonly x: number; readonly y: number } | null {
  const element = named(name, role);
  if (!element || element.matches(':disabled, [aria-disabled=true]')) return null;
  const box = element.getBoundingClientRect();
  if (box.top < 0 || box.left < 0 || box.bottom > innerHeight || box.right > innerWidth)
    element.scrollIntoView({ block: 'center', inline: 'center', behavior: 'instant' });
  const now = { element, box: boxOf(element) };
  const still = before?.element === element && before.box === now.box;
  before = now;
  if (!still) return null;
  const { x, y, width, height } = element.getBoundingClientRect();
  const point = { x: x + width / 2, y: y + height / 2 };
  const hit = document.elementFromPoint(point.x, point.y);
  // A radio lies under the words that choose it.
  if (
    !hit ||
    !(element.contains(hit) || hit.contains(element) || hit.closest('label')?.control === element)
  ) {
    // Half under the clock line or the bar of places, it is brought to the middle, as a hand would.
    element.scrollIntoView({ block: 'center', inline: 'center', behavior: 'instant' });
    return null;
  }
  before = null;
  aimed = element;
  beside = false;
  return point;
}

/** Why something cannot be tapped, for whoever reads that a journey failed. */
function whyNot(name: string, role: string): string {
  const element = named(name, role);
  if (!element) return 'there is none of that name and role';
  if (element.matches(':disabled, [aria-disabled=true]')) return 'it is switched off';
  const { x, y, width, height } = element.getBoundingClientRect();
  const hit = document.elementFromPoint(x + width / 2, y + height / 2);
  const over = hit && !element.contains(hit) && !hit.contains(element) ? hit : null;
  return [
    `it is at ${Math.round(x)} ${Math.round(y)}, ${Math.round(width)} × ${Math.round(height)}`,
    over ? `under ${over.tagName.toLowerCase()} “${plain(over.textContent).slice(0, 60)}”` : 'uncovered',
    `the page is ${document.visibilityState}`,
  ].join(', ');
}

declare global {
  var names: {
    readonly named: typeof named;
    readonly tapPoint: typeof tapPoint;
    readonly whyNot: typeof whyNot;
    readonly taps: readonly string[];
    readonly fellBeside: () => boolean;
  };
}

globalThis.names = { named, tapPoint, whyNot, taps, fellBeside: () => beside };
