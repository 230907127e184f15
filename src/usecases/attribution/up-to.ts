/** A search whose share that is done counts as a stretch of a longer one. */
export function* upTo<T>(from: number, to: number, search: Generator<number, T>): Generator<number, T> {
  let step = search.next();
  while (!step.done) {
    yield from + (to - from) * step.value;
    step = search.next();
  }
  return step.value;
}
