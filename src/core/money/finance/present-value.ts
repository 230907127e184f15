import { DAY_MS } from "../../units";
import { Exact, ZERO } from "../exact";

/** Dated flows are discounted by years of 365 days, as spreadsheets do. */
const DAYS_OF_A_DATED_YEAR = 365;

export interface DatedFlow {
  /** ISO date. */
  readonly on: string;
  readonly amount: Exact;
}

/** Present value of flows at the ends of periods 0, 1, 2 …, the first undiscounted. Spreadsheets' NPV discounts its first value by a period: divide by 1 + rate. */
export function presentValue(rate: Exact, flows: readonly Exact[]): Exact {
  const factor = new Exact(1).div(rate.plus(1));
  return flows.reduceRight<Exact>((later, flow) => later.times(factor).plus(flow), ZERO);
}

/** Years between two dates as spreadsheets' XNPV counts them: days over 365. */
export const yearsBetween = (from: string, to: string): Exact =>
  new Exact(Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS)).div(DAYS_OF_A_DATED_YEAR);

/** Present value of dated flows on the first one's date. */
export function datedPresentValue(rate: Exact, flows: readonly DatedFlow[]): Exact {
  const start = flows[0]?.on ?? "1970-01-01";
  const growth = rate.plus(1);
  return flows.reduce<Exact>((sum, { on, amount }) => sum.plus(amount.div(growth.pow(yearsBetween(start, on)))), ZERO);
}
