import { DEAD_FRAC, LEAST_DEAD_HOURS, LIT_FRAC } from "./thresholds";

/** Hours in which the peers give enough to judge a module by. */
export function litHours(peers: Float32Array): Uint8Array {
  let most = 0;
  for (const value of peers) if (value > most) most = value;
  return Uint8Array.from(peers, (value) => Number(value > LIT_FRAC * most));
}

/**
 * Hours in which a module gives nothing while its peers work: lit ones, so many in a row that it is no restart, nights between them not counted. An hour
 * that was not read breaks no row and is none.
 */
export function silentHours(own: Float32Array, peers: Float32Array, lit: Uint8Array): Uint8Array {
  const silent = new Uint8Array(own.length);
  let run: number[] = [];
  const close = (): void => {
    if (run.length >= LEAST_DEAD_HOURS) for (const t of run) silent[t] = 1;
    run = [];
  };
  for (let t = 0; t < own.length; t++) {
    if (lit[t] === 0 || Number.isNaN(own[t]!)) continue;
    if (own[t]! <= DEAD_FRAC * peers[t]!) run.push(t);
    else close();
  }
  close();
  return silent;
}
