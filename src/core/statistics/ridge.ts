import { CholeskyDecomposition, Matrix } from "ml-matrix";
import { medianOf, spreadOf } from "./robust";

/** One term of a linear model: its value on every row, and what is known of its coefficient beforehand. */
export interface RidgeColumn {
  readonly values: Float64Array;
  /** Expected coefficient and how far it may stray, one deviation; an infinite deviation leaves it free. */
  readonly prior: number;
  readonly priorDeviation: number;
  readonly leastZero?: boolean;
}

export interface RidgeFit {
  readonly coefficients: Float64Array;
  readonly residuals: Float64Array;
  /** Robust deviation of the residuals. */
  readonly scale: number;
  /** Huber's loss of all rows, in units of a scale: two fits are compared at the same one. */
  lossAt(scale: number): number;
  readonly rows: number;
  /** How much each row counted in the end: 1, less for outliers, 0 where left out. */
  readonly huber: Float64Array;
  /** Standard error of a sum of coefficients, each times its factor. */
  errorOf(combination: Float64Array): number;
}

const ROUNDS = 10;
const SETTLED = 3e-3;
const HUBER = 1.5;
const TO_DEVIATION = 1.4826;
const LEAST_SCALE = 1e-5;
/** Precision of a free coefficient, and of one that is held at zero since it may not be negative. */
const FREE = 1e-9;
const HELD = 1e18;

/**
 * Least squares with priors, outliers weighed down. Weights are relative (1 for a usual row), NaN rows are left out. `warm` is a fit of nearly
 * the same terms, whose outliers and scale spare the first rounds.
 * Source: Huber, 1964, Robust estimation of a location parameter; Hoerl & Kennard, 1970, Ridge regression.
 */
export function robustRidge(
  columns: readonly RidgeColumn[],
  y: Float64Array,
  weights: Float64Array,
  rounds = ROUNDS,
  warm?: RidgeFit,
): RidgeFit {
  const packed = pack(columns, y, weights);
  const { at, target, root } = packed;
  const rows = at.length;
  const misfit = new Float64Array(rows);
  const huber = Float64Array.from(at, (i) => warm?.huber[i] ?? 1);
  const held = new Uint8Array(columns.length);
  let scale = warm?.scale ?? Math.max(1e-4, TO_DEVIATION * spreadOf(target));
  let solved = solve(columns, packed, huber, scale, held);
  for (let round = 0; round < rounds; round++) {
    const heldNow = holdNegative(columns, solved.coefficients, held);
    fillMisfit(packed, solved.coefficients, misfit);
    const before = scale;
    scale = Math.max(LEAST_SCALE, TO_DEVIATION * medianOf(sizes(misfit, root)));
    for (let r = 0; r < rows; r++) {
      const far = Math.abs(misfit[r]! * root[r]!) / scale;
      huber[r] = far <= HUBER ? 1 : HUBER / far;
    }
    if ((warm || round > 0) && heldNow === 0 && Math.abs(scale / before - 1) < SETTLED) break;
    solved = solve(columns, packed, huber, scale, held);
  }
  const residuals = new Float64Array(y.length).fill(Number.NaN);
  const counted = new Float64Array(y.length);
  for (let r = 0; r < rows; r++) {
    residuals[at[r]!] = misfit[r]!;
    counted[at[r]!] = huber[r]!;
  }
  const { coefficients, decomposition } = solved;
  return {
    coefficients,
    residuals,
    scale,
    lossAt: (unit) => misfit.reduce((sum, miss, r) => sum + huberLoss(Math.abs(miss * root[r]!) / unit), 0),
    rows,
    huber: counted,
    errorOf: (combination) => {
      const vector = Matrix.columnVector([...combination]);
      return Math.sqrt(Math.max(0, vector.transpose().mmul(decomposition.solve(vector)).get(0, 0)));
    },
  };
}

const huberLoss = (far: number): number => (far <= HUBER ? (far * far) / 2 : HUBER * (far - HUBER / 2));

/** Rows that count, with their values that are not zero end to end: most terms touch few rows. */
interface Packed {
  readonly at: Int32Array;
  readonly target: Float64Array;
  readonly weight: Float64Array;
  /** Square root of the weight. */
  readonly root: Float64Array;
  readonly from: Int32Array;
  readonly term: Int32Array;
  readonly value: Float64Array;
  /** Few terms: every row holds all of them, zeros too, which spares looking up which. */
  readonly isDense: boolean;
}

const DENSE_TERMS = 12;

function pack(columns: readonly RidgeColumn[], y: Float64Array, weights: Float64Array): Packed {
  const counted = new Int32Array(y.length);
  let rows = 0;
  for (let i = 0; i < y.length; i++) if (!Number.isNaN(y[i]!) && weights[i]! > 0) counted[rows++] = i;
  const at = counted.slice(0, rows);
  const isDense = columns.length <= DENSE_TERMS;
  const from = new Int32Array(rows + 1);
  for (const { values } of columns) for (let r = 0; r < rows; r++) if (isDense || values[at[r]!] !== 0) from[r + 1]!++;
  for (let r = 0; r < rows; r++) from[r + 1]! += from[r]!;
  const term = new Int32Array(from[rows]!);
  const value = new Float64Array(from[rows]!);
  const next = from.slice(0, rows);
  columns.forEach(({ values }, t) => {
    for (let r = 0; r < rows; r++) {
      const own = values[at[r]!]!;
      if (own === 0 && !isDense) continue;
      const k = next[r]!++;
      term[k] = t;
      value[k] = own;
    }
  });
  const [target, weight, root] = [new Float64Array(rows), new Float64Array(rows), new Float64Array(rows)];
  for (let r = 0; r < rows; r++) {
    target[r] = y[at[r]!]!;
    weight[r] = weights[at[r]!]!;
    root[r] = Math.sqrt(weight[r]!);
  }
  return { at, target, weight, root, from, term, value, isDense };
}

/** Sizes of the misfits, each by its row's weight: their middle about zero is the robust deviation. */
function sizes(misfit: Float64Array, root: Float64Array): Float64Array {
  const out = new Float64Array(misfit.length);
  for (let r = 0; r < out.length; r++) out[r] = Math.abs(misfit[r]! * root[r]!);
  return out;
}

function fillMisfit({ at, target, from, term, value }: Packed, coefficients: Float64Array, out: Float64Array): void {
  for (let r = 0; r < at.length; r++) {
    let left = target[r]!;
    for (let k = from[r]!; k < from[r + 1]!; k++) left -= coefficients[term[k]!]! * value[k]!;
    out[r] = left;
  }
}

/** Sets coefficients that may not be negative and are to zero, for good; returns how many are newly held. */
function holdNegative(columns: readonly RidgeColumn[], coefficients: Float64Array, held: Uint8Array): number {
  let newly = 0;
  for (let t = 0; t < columns.length; t++) {
    if (!columns[t]!.leastZero || !(coefficients[t]! < 0)) continue;
    if (held[t] === 0) newly++;
    held[t] = 1;
    coefficients[t] = 0;
  }
  return newly;
}

function solve(
  columns: readonly RidgeColumn[],
  packed: Packed,
  huber: Float64Array,
  scale: number,
  held: Uint8Array,
): { coefficients: Float64Array; decomposition: CholeskyDecomposition } {
  const terms = columns.length;
  const normal = new Float64Array(terms * terms);
  const right = new Float64Array(terms);
  fillNormal(packed, huber, 1 / (scale * scale), terms, normal, right);
  const rows = Array.from({ length: terms }, (_, a) => {
    const { prior, priorDeviation } = columns[a]!;
    const precision = held[a] === 1 ? HELD : Number.isFinite(priorDeviation) ? 1 / (priorDeviation * priorDeviation) : FREE;
    if (held[a] === 0) right[a]! += precision * prior;
    const row = Array.from({ length: terms }, (_, b) => normal[Math.min(a, b) * terms + Math.max(a, b)]!);
    row[a]! += precision;
    return row;
  });
  const decomposition = new CholeskyDecomposition(new Matrix(rows));
  return { coefficients: Float64Array.from(decomposition.solve(Matrix.columnVector([...right])).to1DArray()), decomposition };
}

/** Upper triangle of the normal matrix, and its right side. */
function fillNormal(
  packed: Packed,
  huber: Float64Array,
  precision: number,
  terms: number,
  normal: Float64Array,
  right: Float64Array,
): void {
  const { at, target, weight, from, term, value, isDense } = packed;
  for (let r = 0; r < at.length; r++) {
    const own = weight[r]! * huber[r]! * precision;
    const first = from[r]!;
    const end = from[r + 1]!;
    if (isDense) {
      for (let a = 0; a < terms; a++) {
        const left = own * value[first + a]!;
        right[a]! += left * target[r]!;
        for (let b = a; b < terms; b++) normal[a * terms + b]! += left * value[first + b]!;
      }
      continue;
    }
    for (let a = first; a < end; a++) {
      const left = own * value[a]!;
      const row = term[a]! * terms;
      right[term[a]!]! += left * target[r]!;
      for (let b = a; b < end; b++) normal[row + term[b]!]! += left * value[b]!;
    }
  }
}
