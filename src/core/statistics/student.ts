import { probit } from "simple-statistics";

/** Student's t that 97.5 % lie under, for one to ten degrees of freedom. Source: Student, 1908, The probable error of a mean; Fisher & Yates, 1963, Statistical tables. */
const T_975 = [12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228] as const;
const Z_975 = 1.959964;

/** Student's t that 97.5 % lie under. Beyond ten degrees by Fisher's expansion, right to a thousandth. Throws a RangeError under one degree. */
export function studentT975(degrees: number): number {
  if (!(degrees >= 1)) throw new RangeError("Student's t wants one degree of freedom or more");
  const known = T_975[Math.floor(degrees) - 1];
  if (known !== undefined) return known;
  const z = Z_975;
  return z + (z ** 3 + z) / (4 * degrees) + (5 * z ** 5 + 16 * z ** 3 + 3 * z) / (96 * degrees ** 2);
}

/** The rest of Student's t over the normal quantile z, by falling powers of its degrees. Source: Abramowitz & Stegun, 1964, Handbook of mathematical functions, 26.7.5. */
export function studentQuantile(share: number, degrees: number): number {
  const z = probit(share);
  const terms = [(z ** 3 + z) / 4, (5 * z ** 5 + 16 * z ** 3 + 3 * z) / 96, (3 * z ** 7 + 19 * z ** 5 + 17 * z ** 3 - 15 * z) / 384];
  return terms.reduce((sum, term, k) => sum + term / degrees ** (k + 1), z);
}
