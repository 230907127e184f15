/** What a nameplate gives; null where it does not. */
export interface Nameplate {
  readonly pmpW: number;
  readonly vocV: number | null;
  readonly iscA: number | null;
  readonly vmpV: number | null;
  readonly impA: number | null;
  readonly cellsInSeries: number | null;
  readonly areaM2: number | null;
}

export const ESTIMATED_FIELDS = ["vocV", "iscA", "vmpV", "impA", "cellsInSeries", "gammaPmpPerK", "betaVocPerK", "alphaIscPerK"] as const;
export type EstimatedField = (typeof ESTIMATED_FIELDS)[number];

/** A value that nobody gave: how far it may be off to each side, as a share of it. */
export interface Estimate {
  readonly field: EstimatedField;
  readonly value: number;
  readonly halfFrac: number;
}

/** Voltage of a silicon cell at maximum power, V: 0.49 of the oldest to 0.63 of the best. Source: Green et al., 2023, Solar cell efficiency tables, with fill factors as below. */
const CELL_VMP_V = 0.56;
const CELL_VMP_HALF_FRAC = 0.125;
/** The next usual count of cells is so far away. */
const CELLS_HALF_FRAC = 0.06;
/** Vmp over Voc, 0.80 to 0.86, and Imp over Isc, 0.91 to 0.98: fill factors of 0.73 to 0.83. Source: Green et al., 2023, Solar cell efficiency tables; IEC 61215-1:2021 type tests as published by makers. */
const VMP_OVER_VOC = 0.83;
const IMP_OVER_ISC = 0.945;
const RATIO_HALF_FRAC = 0.035;
/** Cells in a row that modules are made of; halves in parallel count once. */
const USUAL_CELLS = [36, 48, 54, 60, 66, 72, 78, 96] as const;
/** Sizes of one whole cell with its part of the frame, m2, over the wafers of fifteen years. */
const CELL_AREA_M2 = { least: 0.0262, most: 0.0366 } as const;

/** Coefficients by what the efficiency tells of the cell, in shares a kelvin: the better the cell, the less it minds heat. */
const BY_EFFICIENCY = [
  { from: 0, gamma: -0.0042, beta: -0.0032, halfFrac: 0.12 },
  { from: 0.17, gamma: -0.0037, beta: -0.0028, halfFrac: 0.1 },
  { from: 0.208, gamma: -0.0032, beta: -0.0026, halfFrac: 0.12 },
  { from: 0.222, gamma: -0.0028, beta: -0.0024, halfFrac: 0.12 },
] as const;
/** Where not even the area is known any of them may be. */
const UNKNOWN_CELL = { gamma: -0.0036, beta: -0.0028, halfFrac: 0.25 } as const;
const ALPHA = { value: 0.0005, halfFrac: 0.4 } as const;

/**
 * What a nameplate leaves out, by what it has: power is voltage times current, cells lie near half a volt, and the area tells how many there are and how good. Only
 * what is missing is given, each value with its spread; nothing where nothing follows. Silicon is taken.
 */
export function estimatedFrom(
  plate: Nameplate,
  coefficients: Readonly<Record<"gammaPmpPerK" | "betaVocPerK" | "alphaIscPerK", boolean>>,
): Estimate[] {
  const volts = vmpOf(plate);
  const out: Estimate[] = [];
  const add = (field: EstimatedField, value: number, halfFrac: number): void => void out.push({ field, value, halfFrac });
  if (volts) {
    if (plate.cellsInSeries === null) {
      const cells = nearest(volts.value / CELL_VMP_V);
      add("cellsInSeries", cells, volts.halfFrac + CELL_VMP_HALF_FRAC + CELLS_HALF_FRAC);
    }
    if (plate.vmpV === null) add("vmpV", volts.value, volts.halfFrac);
    if (plate.vocV === null) add("vocV", volts.value / VMP_OVER_VOC, volts.halfFrac + RATIO_HALF_FRAC);
    const amps = plate.impA ?? plate.pmpW / volts.value;
    const ampsHalf = plate.impA === null ? volts.halfFrac : 0;
    if (plate.impA === null) add("impA", amps, ampsHalf);
    if (plate.iscA === null) add("iscA", amps / IMP_OVER_ISC, ampsHalf + RATIO_HALF_FRAC);
  }
  const cell = cellKind(plate);
  if (!coefficients.gammaPmpPerK) add("gammaPmpPerK", cell.gamma, cell.halfFrac);
  if (!coefficients.betaVocPerK) add("betaVocPerK", cell.beta, cell.halfFrac);
  if (!coefficients.alphaIscPerK) add("alphaIscPerK", ALPHA.value, ALPHA.halfFrac);
  return out;
}

/** How far an estimated value may be off, as a share: told anew from what was given. */
export function estimateSpread(plate: Nameplate & { readonly estimated: readonly EstimatedField[] }, field: EstimatedField): number {
  const given = Object.fromEntries(plate.estimated.map((estimated) => [estimated, null]));
  const none = { gammaPmpPerK: false, betaVocPerK: false, alphaIscPerK: false };
  return estimatedFrom({ ...plate, ...given }, none).find((estimate) => estimate.field === field)?.halfFrac ?? 0;
}

interface Volts {
  readonly value: number;
  readonly halfFrac: number;
}

/** Voltage at maximum power by the surest thing that is known. */
function vmpOf({ pmpW, vocV, iscA, vmpV, impA, cellsInSeries, areaM2 }: Nameplate): Volts | null {
  if (vmpV !== null) return { value: vmpV, halfFrac: 0 };
  if (impA !== null) return { value: pmpW / impA, halfFrac: 0 };
  if (vocV !== null) return { value: vocV * VMP_OVER_VOC, halfFrac: RATIO_HALF_FRAC };
  if (iscA !== null) return { value: pmpW / (iscA * IMP_OVER_ISC), halfFrac: RATIO_HALF_FRAC };
  if (cellsInSeries !== null) return { value: cellsInSeries * CELL_VMP_V, halfFrac: CELL_VMP_HALF_FRAC };
  if (areaM2 === null) return null;
  // The area leaves several counts of cells open, of smaller wafers or larger.
  const fits = USUAL_CELLS.filter((cells) => areaM2 / cells >= CELL_AREA_M2.least && areaM2 / cells <= CELL_AREA_M2.most);
  if (fits.length === 0) return null;
  const [least, most] = [fits[0]! * CELL_VMP_V, fits.at(-1)! * CELL_VMP_V];
  const value = (least + most) / 2;
  return { value, halfFrac: (most - least) / 2 / value + CELL_VMP_HALF_FRAC };
}

const nearest = (cells: number): number =>
  USUAL_CELLS.reduce<number>((best, usual) => (Math.abs(usual - cells) < Math.abs(best - cells) ? usual : best), USUAL_CELLS[0]);

function cellKind({ pmpW, areaM2 }: Nameplate): { readonly gamma: number; readonly beta: number; readonly halfFrac: number } {
  if (areaM2 === null) return UNKNOWN_CELL;
  const efficiency = pmpW / (1000 * areaM2);
  return BY_EFFICIENCY.findLast(({ from }) => efficiency >= from)!;
}

type Coefficient = "gammaPmpPerK" | "betaVocPerK" | "alphaIscPerK";

/** A nameplate with what it leaves out filled in by estimate, each such field named. Coefficients stand unless they are said to be unknown. */
export function withEstimates<M extends Nameplate & { readonly estimated: readonly EstimatedField[] }>(
  plate: M,
  coefficients: Readonly<Record<Coefficient, boolean>> = { gammaPmpPerK: true, betaVocPerK: true, alphaIscPerK: true },
): M {
  const estimates = estimatedFrom(plate, coefficients);
  const filled = Object.fromEntries(estimates.map(({ field, value }) => [field, Number(value.toPrecision(4))]));
  return { ...plate, ...filled, estimated: [...plate.estimated, ...estimates.map(({ field }) => field)] };
}
