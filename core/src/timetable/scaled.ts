/** Work that is a part of a whole: it tells its share of it. @param from where in the whole it begins, 0..1 */
export function* scaled<T>(work: Generator<number, T>, from: number, share: number): Generator<number, T> {
  for (;;) {
    const step = work.next();
    if (step.done === true) return step.value;
    yield from + share * step.value;
  }
}
