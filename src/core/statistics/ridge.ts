import { CholeskyDecomposition, Matrix } from "ml-matrix";
import { MAD_TO_DEVIATION } from "../units";
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
  /** Other coefficients that the rows bear as well: drawn about the fitted ones by independent standard normal numbers, one a coefficient. */
  drawn(normals: Float64Array): Float64Array;
}

const ROUNDS = 10;
const SETTLED = 3e-3;
const HUBER = 1.5;
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
  const huber = new Float64Array(rows).fill(1);
  if (warm) for (let r = 0; r < rows; r++) huber[r] = warm.huber[at[r]!]!;
  const fixed = new Uint8Array(columns.length);
  let scale = warm?.scale ?? Math.max(1e-4, MAD_TO_DEVIATION * spreadOf(target));
  let solved = solve(columns, packed, huber, scale, fixed);
  for (let round = 0; round < rounds; round++) {
    const heldNow = holdNegative(columns, solved.coefficients, fixed);
    fillMisfit(packed, solved.coefficients, misfit);
    const before = scale;
    scale = Math.max(LEAST_SCALE, MAD_TO_DEVIATION * medianOf(sizes(misfit, root)));
    for (let r = 0; r < rows; r++) {
      const far = Math.abs(misfit[r]! * root[r]!) / scale;
      huber[r] = far <= HUBER ? 1 : HUBER / far;
    }
    if ((warm || round > 0) && heldNow === 0 && Math.abs(scale / before - 1) < SETTLED) break;
    solved = solve(columns, packed, huber, scale, fixed);
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
    drawn: (normals) => drawnAbout(coefficients, decomposition.lowerTriangularMatrix, normals),
  };
}

/** The precision is L times its transpose: what its transpose takes to the normals has the covariance. */
function drawnAbout(coefficients: Float64Array, lower: Matrix, normals: Float64Array): Float64Array {
  const off = new Float64Array(coefficients.length);
  for (let a = off.length - 1; a >= 0; a--) {
    let sum = normals[a]!;
    for (let b = a + 1; b < off.length; b++) sum -= lower.get(b, a) * off[b]!;
    off[a] = sum / lower.get(a, a);
  }
  return coefficients.map((value, k) => value + off[k]!);
}

const huberLoss = (far: number): number => (far <= HUBER ? (far * far) / 2 : HUBER * (far - HUBER / 2));

/** Rows that count, and every term over those of them that it touches: many touch few. */
interface Packed {
  readonly at: Int32Array;
  readonly target: Float64Array;
  readonly weight: Float64Array;
  /** Square root of the weight. */
  readonly root: Float64Array;
  readonly terms: readonly Span[];
}

/** A term's values on the rows [from, to); zero elsewhere. */
interface Span {
  readonly from: number;
  readonly to: number;
  readonly values: Float64Array;
}

function pack(columns: readonly RidgeColumn[], y: Float64Array, weights: Float64Array): Packed {
  const counted = new Int32Array(y.length);
  let rows = 0;
  for (let i = 0; i < y.length; i++) if (!Number.isNaN(y[i]!) && weights[i]! > 0) counted[rows++] = i;
  const at = counted.slice(0, rows);
  const [target, weight, root] = [new Float64Array(rows), new Float64Array(rows), new Float64Array(rows)];
  for (let r = 0; r < rows; r++) {
    target[r] = y[at[r]!]!;
    weight[r] = weights[at[r]!]!;
    root[r] = Math.sqrt(weight[r]!);
  }
  return { at, target, weight, root, terms: columns.map(({ values }) => spanOf(values, at)) };
}

function spanOf(values: Float64Array, at: Int32Array): Span {
  let [from, to] = [0, at.length];
  while (from < to && values[at[from]!] === 0) from++;
  while (to > from && values[at[to - 1]!] === 0) to--;
  const own = new Float64Array(to - from);
  for (let r = from; r < to; r++) own[r - from] = values[at[r]!]!;
  return { from, to, values: own };
}

/** Sizes of the misfits, each by its row's weight: their middle about zero is the robust deviation. */
function sizes(misfit: Float64Array, root: Float64Array): Float64Array {
  const out = new Float64Array(misfit.length);
  for (let r = 0; r < out.length; r++) out[r] = Math.abs(misfit[r]! * root[r]!);
  return out;
}

function fillMisfit({ target, terms }: Packed, coefficients: Float64Array, out: Float64Array): void {
  out.set(target);
  terms.forEach(({ from, to, values }, t) => {
    const coefficient = coefficients[t]!;
    for (let r = from; r < to; r++) out[r] = out[r]! - coefficient * values[r - from]!;
  });
}

/** Sets coefficients that may not be negative and are to zero, for good; returns how many are newly held. */
function holdNegative(columns: readonly RidgeColumn[], coefficients: Float64Array, fixed: Uint8Array): number {
  let newly = 0;
  for (let t = 0; t < columns.length; t++) {
    if (!columns[t]!.leastZero || !(coefficients[t]! < 0)) continue;
    if (fixed[t] === 0) newly++;
    fixed[t] = 1;
    coefficients[t] = 0;
  }
  return newly;
}

function solve(
  columns: readonly RidgeColumn[],
  packed: Packed,
  huber: Float64Array,
  scale: number,
  fixed: Uint8Array,
): { coefficients: Float64Array; decomposition: CholeskyDecomposition } {
  const terms = columns.length;
  const normal = new Float64Array(terms * terms);
  const right = new Float64Array(terms);
  fillNormal(packed, huber, 1 / (scale * scale), normal, right);
  const rows = Array.from({ length: terms }, (_, a) => {
    const { prior, priorDeviation } = columns[a]!;
    const precision = fixed[a] === 1 ? HELD : Number.isFinite(priorDeviation) ? 1 / (priorDeviation * priorDeviation) : FREE;
    if (fixed[a] === 0) right[a]! += precision * prior;
    const row = Array.from({ length: terms }, (_, b) => normal[Math.min(a, b) * terms + Math.max(a, b)]!);
    row[a]! += precision;
    return row;
  });
  const decomposition = new CholeskyDecomposition(new Matrix(rows));
  return { coefficients: Float64Array.from(decomposition.solve(Matrix.columnVector([...right])).to1DArray()), decomposition };
}

/** Upper triangle of the normal matrix, and its right side: term by term, each over the rows that both touch. */
function fillNormal(
  { target, weight, terms }: Packed,
  huber: Float64Array,
  precision: number,
  normal: Float64Array,
  right: Float64Array,
): void {
  const weighed = new Float64Array(target.length);
  for (let a = 0; a < terms.length; a++) {
    const { from, to, values } = terms[a]!;
    let sum = 0;
    for (let r = from; r < to; r++) {
      const value = weight[r]! * huber[r]! * precision * values[r - from]!;
      weighed[r] = value;
      sum += value * target[r]!;
    }
    right[a] = sum;
    for (let b = a; b < terms.length; b++) normal[a * terms.length + b] = product(weighed, terms[b]!, from, to);
  }
}

/** Sum of a column times a term, over the rows of [from, to) that the term touches. */
function product(column: Float64Array, term: Span, from: number, to: number): number {
  const { values } = term;
  const first = Math.max(from, term.from);
  const end = Math.min(to, term.to);
  let sum = 0;
  for (let r = first, k = first - term.from; r < end; r++, k++) sum += column[r]! * values[k]!;
  return sum;
}
