/** The first of "tree-1", "tree-2" … that nothing is called yet. */
export function freeId(prefix: string, taken: Iterable<string>): string {
  const names = new Set(taken);
  let n = 1;
  while (names.has(`${prefix}-${n}`)) n++;
  return `${prefix}-${n}`;
}
