/** Columns and buffers beyond this are worth a look for what is done with, bytes: a decade of hours holds 5 MB, thirty years of five minutes 200. */
const MUCH_BYTES = 64 * 1024 * 1024;

/**
 * Gives back what a long record left behind. The engine looks for it late where columns lie outside of its own heap, as ours do; a program that was
 * started with --expose-gc can be asked to look now.
 */
export function giveBack(): void {
  const { gc } = globalThis as { gc?: () => void };
  if (gc && process.memoryUsage().external > MUCH_BYTES) gc();
}
