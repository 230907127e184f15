/** Reads text until at least `size` characters are there, and gives them with an iterable that still holds everything. */
export async function peek(text: AsyncGenerator<string>, size: number): Promise<{ head: string; whole: AsyncIterable<string> }> {
  let head = "";
  while (head.length < size) {
    const next = await text.next();
    if (next.done) break;
    head += next.value;
  }
  async function* whole(): AsyncGenerator<string> {
    yield head;
    yield* text;
  }
  return { head, whole: whole() };
}
