/** A linear least-squares fit. */
export interface LinearFit {
  /** By column of the design. */
  readonly coefficients: readonly number[];
  readonly residuals: Float64Array;
  /** Weight of each row in the value at a point: sum of weight times y is that value. Length of the rows. */
  weightsAt(point: readonly number[]): Float64Array;
}

/** Columns that are told apart by less than this share of their length can't be told apart. About the square root of a double's precision. */
const LEAST_INDEPENDENT = 1e-7;

/**
 * Fits y by columns of the same length, by Householder reflections of the scaled design: no product of the design with itself is made, so that columns that
 * nearly agree cost no digits twice. Null where they can't be told apart or are fewer rows than columns. Throws a RangeError where lengths differ.
 * Source: Golub, 1965, Numerical methods for solving linear least squares problems.
 */
export function leastSquares(columns: readonly Float64Array[], y: Float64Array): LinearFit | null {
  const [rows, width] = [y.length, columns.length];
  if (columns.some((column) => column.length !== rows)) throw new RangeError("Columns and values of a fit are of one length");
  if (rows < width) return null;
  const scale = columns.map(lengthOf);
  if (scale.some((length) => !(length > 0))) return null;
  const work = columns.map((column, j) => column.map((value) => value / scale[j]!));
  const reflections: Float64Array[] = [];
  for (let j = 0; j < width; j++) {
    const reflection = reflectionOf(work[j]!, j);
    if (!reflection) return null;
    for (let k = j; k < width; k++) reflect(reflection, work[k]!, j);
    if (Math.abs(work[j]![j]!) < LEAST_INDEPENDENT) return null;
    reflections.push(reflection);
  }
  const upper = (i: number, j: number): number => work[j]![i]!;
  const turned = y.slice();
  for (const [j, reflection] of reflections.entries()) reflect(reflection, turned, j);
  const scaled = new Array<number>(width).fill(0);
  for (let i = width - 1; i >= 0; i--) {
    let rest = turned[i]!;
    for (let j = i + 1; j < width; j++) rest -= upper(i, j) * scaled[j]!;
    scaled[i] = rest / upper(i, i);
  }
  const coefficients = scaled.map((value, j) => value / scale[j]!);
  return {
    coefficients,
    residuals: y.map((value, i) => columns.reduce((rest, column, j) => rest - column[i]! * coefficients[j]!, value)),
    weightsAt(point) {
      // Solves R'z = point, then turns (z, 0) back: Q z is the row of weights.
      const weights = new Float64Array(rows);
      for (let i = 0; i < width; i++) {
        let rest = point[i]! / scale[i]!;
        for (let j = 0; j < i; j++) rest -= upper(j, i) * weights[j]!;
        weights[i] = rest / upper(i, i);
      }
      for (let j = width - 1; j >= 0; j--) reflect(reflections[j]!, weights, j);
      return weights;
    },
  };
}

/** The length of a column in one number, kept from overflow by its largest value. */
function lengthOf(column: Float64Array): number {
  const largest = column.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
  if (!(largest > 0)) return 0;
  let sum = 0;
  for (const value of column) sum += (value / largest) ** 2;
  return largest * Math.sqrt(sum);
}

/** The unit vector whose reflection clears a column below its diagonal; null where nothing is left there. */
function reflectionOf(column: Float64Array, from: number): Float64Array | null {
  const own = column.slice();
  own.fill(0, 0, from);
  let sum = 0;
  for (let i = from; i < own.length; i++) sum += own[i]! ** 2;
  const length = Math.sqrt(sum);
  if (!(length > 0)) return null;
  own[from] = own[from]! + (own[from]! >= 0 ? length : -length);
  let square = 0;
  for (let i = from; i < own.length; i++) square += own[i]! ** 2;
  const norm = Math.sqrt(square);
  for (let i = from; i < own.length; i++) own[i] = own[i]! / norm;
  return own;
}

function reflect(reflection: Float64Array, column: Float64Array, from: number): void {
  let product = 0;
  for (let i = from; i < column.length; i++) product += reflection[i]! * column[i]!;
  for (let i = from; i < column.length; i++) column[i] = column[i]! - 2 * product * reflection[i]!;
}
