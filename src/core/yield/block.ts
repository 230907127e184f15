/** Lit steps handled at once: few enough for every column to stay in the processor's near cache (measured best of 128 to 2048). */
export const BLOCK = 512;

/** Scratch columns for one block of lit steps, made once a run and used again for every block. */
export interface Block {
  /** Index on the axis of each lit step. */
  readonly at: Int32Array;
  readonly east: Float64Array;
  readonly north: Float64Array;
  readonly up: Float64Array;
  readonly extraterrestrialWm2: Float64Array;
  readonly ghiWm2: Float64Array;
  readonly dniWm2: Float64Array;
  readonly dhiWm2: Float64Array;
  /** Of a sensor in the plane. */
  readonly sensorWm2: Float64Array;
  readonly airTempC: Float64Array;
  readonly windSpeedMs: Float64Array;
  readonly albedo: Float64Array;
  readonly cosIncidence: Float64Array;
  readonly directionalWm2: Float64Array;
  readonly skyWm2: Float64Array;
  readonly groundWm2: Float64Array;
  readonly poaWm2: Float64Array;
  readonly cellTempC: Float64Array;
  /** Power of the array in hand, W. */
  readonly arrayW: Float64Array;
  /** Power of the inverter in hand, W. */
  readonly groupW: Float64Array;
  /** Power of all inverters, W; filled where they meet in a connection that takes or limits. */
  readonly siteW: Float64Array;
}

const COLUMNS = [
  ..."east north up extraterrestrialWm2 ghiWm2 dniWm2 dhiWm2 sensorWm2 airTempC windSpeedMs albedo cosIncidence".split(" "),
  ..."directionalWm2 skyWm2 groundWm2 poaWm2 cellTempC arrayW groupW siteW".split(" "),
] as const;

export function newBlock(): Block {
  const columns = Object.fromEntries(COLUMNS.map((name) => [name, new Float64Array(BLOCK)]));
  return { at: new Int32Array(BLOCK), ...columns } as unknown as Block;
}
