/** Runs work that pauses now and then to its end, without pausing. */
export function toTheEnd<T>(work: Generator<void, T>): T {
  for (;;) {
    const step = work.next();
    if (step.done === true) return step.value;
  }
}
