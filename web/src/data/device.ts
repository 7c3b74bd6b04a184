import { ulid } from 'ulid';

const DEVICE = 'mc-device';
const COOK = 'mc-cook';

/** This browser's lasting name among the kitchen's tablets. */
export function deviceId(): string {
  const known = localStorage.getItem(DEVICE);
  if (known) return known;
  const made = `page-${ulid()}`;
  localStorage.setItem(DEVICE, made);
  return made;
}

const THERMOMETER = 'mc-thermometer';

/** The thermometer last used at this tablet. */
export function chosenThermometer(): string {
  return localStorage.getItem(THERMOMETER) ?? '';
}

export function chooseThermometer(id: string): void {
  localStorage.setItem(THERMOMETER, id);
}

/** Who is at this tablet, when somebody said so. */
export function chosenCook(): string | null {
  return localStorage.getItem(COOK);
}

export function chooseCook(id: string | null): void {
  if (id === null) localStorage.removeItem(COOK);
  else localStorage.setItem(COOK, id);
}
