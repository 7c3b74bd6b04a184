let context: AudioContext | null = null;

/** Makes sound possible; must be called from a tap. @returns whether it may sound now */
export async function unlockSound(): Promise<boolean> {
  if (!('AudioContext' in globalThis)) return false;
  context ??= new AudioContext();
  if (context.state === 'suspended') await context.resume().catch(() => undefined);
  return context.state === 'running';
}

export function soundUnlocked(): boolean {
  return context?.state === 'running';
}

/** Two short tones, lower ones for what may wait. */
export function ring(mustAct: boolean): void {
  if (!context || context.state !== 'running') return;
  const tones = mustAct ? [880, 1175] : [523, 659];
  for (const [i, frequency] of tones.entries()) {
    const from = context.currentTime + i * 0.22;
    const oscillator = context.createOscillator();
    const volume = context.createGain();
    oscillator.frequency.value = frequency;
    volume.gain.setValueAtTime(0.0001, from);
    volume.gain.exponentialRampToValueAtTime(0.25, from + 0.02);
    volume.gain.exponentialRampToValueAtTime(0.0001, from + 0.2);
    oscillator.connect(volume).connect(context.destination);
    oscillator.start(from);
    oscillator.stop(from + 0.22);
  }
}
