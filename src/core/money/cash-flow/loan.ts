import { Exact, roundTo, sumOf, ZERO } from "../exact";
import { payment, presentValue } from "../finance";

/** A loan paid back in even monthly payments. Sums are decimal numerals. */
export interface LoanTerms {
  readonly principal: string;
  readonly ratePerYearFrac: number;
  readonly termYears: number;
  /** Paid at the start, on top. */
  readonly fee: string;
  /** Share of the interest that comes back because it is set off against tax; nothing unless it is chosen. */
  readonly interestReliefFrac?: number;
  readonly refinance: {
    readonly afterYears: number;
    readonly ratePerYearFrac: number;
    readonly termYears: number;
    readonly fee: string;
  } | null;
}

export interface LoanMonth {
  /** From 1. */
  readonly month: number;
  readonly paid: Exact;
  readonly interest: Exact;
  readonly repaid: Exact;
  readonly owed: Exact;
  readonly fee: Exact;
}

/** Month by month: payments and interest are rounded to the minor unit as a bank does; the last payment takes up what rounding left. */
export function loanSchedule({ principal, ratePerYearFrac, termYears, fee, refinance }: LoanTerms, currency: string): LoanMonth[] {
  const first = stretch(new Exact(principal), ratePerYearFrac, Math.round(termYears * 12), currency);
  const until = refinance ? Math.round(refinance.afterYears * 12) : first.length;
  const months: Omit<LoanMonth, "month" | "fee">[] = first.slice(0, until);
  const fees = new Map<number, Exact>([[0, new Exact(fee)]]);
  if (refinance && until < first.length) {
    const owed = months.at(-1)?.owed ?? new Exact(principal);
    fees.set(until, new Exact(refinance.fee));
    months.push(...stretch(owed, refinance.ratePerYearFrac, Math.round(refinance.termYears * 12), currency));
  }
  return months.map((month, k) => ({ ...month, month: k + 1, fee: fees.get(k) ?? ZERO }));
}

function stretch(principal: Exact, ratePerYearFrac: number, months: number, currency: string): Omit<LoanMonth, "month" | "fee">[] {
  const rate = new Exact(ratePerYearFrac).div(12);
  const even = roundTo(payment({ rate, periods: months, presentValue: principal.negated() }), currency);
  let owed = principal;
  return Array.from({ length: months }, (_, k) => {
    const interest = roundTo(owed.times(rate), currency);
    const paid = k === months - 1 ? owed.plus(interest) : even;
    const repaid = paid.minus(interest);
    owed = owed.minus(repaid);
    return { paid, interest, repaid, owed };
  });
}

/** What a household or a firm pays in a year, with the array on a loan, with it for cash, and without it. */
export interface OutlayYear {
  readonly year: number;
  readonly loan: Exact;
  /** Bill that remains with the array, upkeep and replacements in. */
  readonly remainingBill: Exact;
  readonly billWithout: Exact;
}

export interface LoanOrCash {
  readonly years: readonly OutlayYear[];
  readonly monthlyPayment: Exact;
  /** What is paid a month once it was refinanced, and after how many months that begins; null where it is not. */
  readonly refinanced: { readonly payment: Exact; readonly afterMonths: number } | null;
  readonly interestTotal: Exact;
  readonly loanTotal: Exact;
  readonly cashTotal: Exact;
  readonly withoutTotal: Exact;
  /** Present values of all outlays over the horizon. */
  readonly loanWorth: Exact;
  readonly cashWorth: Exact;
  readonly withoutWorth: Exact;
  /** Yearly interest at which the loan costs as much, over the horizon and in money of today, as no array at all; null when none does. */
  readonly stopsPayingFrac: number | null;
  /** First year in which loan and bill together are less than the bill without the array. */
  readonly cheaperFromYear: number | null;
}

export interface OutlayTerms {
  readonly currency: string;
  readonly loan: LoanTerms;
  /** Paid at once in either case: net cost less the loan's principal. */
  readonly ownMoney: Exact;
  readonly netCost: Exact;
  /** One of each a year. */
  readonly remainingBills: readonly Exact[];
  readonly billsWithout: readonly Exact[];
  readonly discountFrac: number;
}

const HIGHEST_RATE = 1;

/** Loan or cash or no array, year by year. */
export function loanOrCash(terms: OutlayTerms): LoanOrCash {
  const { currency, loan, ownMoney, netCost, remainingBills, billsWithout, discountFrac } = terms;
  const schedule = loanSchedule(loan, currency);
  const relief = loan.interestReliefFrac ?? 0;
  const byYear = (months: readonly LoanMonth[]): Exact[] =>
    remainingBills.map((_, k) =>
      sumOf(months.slice(12 * k, 12 * k + 12).map((month) => month.paid.plus(month.fee).minus(month.interest.times(relief)))),
    );
  const paid = byYear(schedule);
  const years = paid.map(
    (own, k): OutlayYear => ({ year: k + 1, loan: own, remainingBill: remainingBills[k]!, billWithout: billsWithout[k]! }),
  );
  const rate = new Exact(discountFrac);
  const worth = (atOnce: Exact, flows: readonly Exact[]): Exact => presentValue(rate, [atOnce, ...flows]);
  const withLoan = (payments: readonly Exact[]): Exact =>
    worth(
      ownMoney,
      payments.map((own, k) => own.plus(remainingBills[k]!)),
    );
  const withoutWorth = worth(ZERO, billsWithout);
  return {
    years,
    monthlyPayment: schedule[0]?.paid ?? ZERO,
    refinanced: refinancedIn(loan, schedule),
    interestTotal: sumOf(schedule.map(({ interest }) => interest)),
    loanTotal: ownMoney.plus(sumOf(paid)).plus(sumOf(remainingBills)),
    cashTotal: netCost.plus(sumOf(remainingBills)),
    withoutTotal: sumOf(billsWithout),
    loanWorth: withLoan(paid),
    cashWorth: worth(netCost, remainingBills),
    withoutWorth,
    stopsPayingFrac: flipRate((frac) =>
      withLoan(byYear(loanSchedule({ ...loan, ratePerYearFrac: frac, refinance: null }, currency))).minus(withoutWorth),
    ),
    cheaperFromYear: years.find((year) => year.loan.plus(year.remainingBill).lt(year.billWithout))?.year ?? null,
  };
}

/** A loan that is over before it would be refinanced never is. */
function refinancedIn({ refinance }: LoanTerms, schedule: readonly LoanMonth[]): LoanOrCash["refinanced"] {
  if (!refinance) return null;
  const afterMonths = Math.round(refinance.afterYears * 12);
  const first = schedule[afterMonths];
  return first ? { payment: first.paid, afterMonths } : null;
}

/** The rate at which a rising cost changes sign, by bisection to a thousandth of a percent. */
function flipRate(excess: (frac: number) => Exact): number | null {
  if (excess(0).gt(0) || excess(HIGHEST_RATE).lt(0)) return null;
  let [low, high] = [0, HIGHEST_RATE];
  while (high - low > 1e-5) {
    const middle = (low + high) / 2;
    if (excess(middle).gt(0)) high = middle;
    else low = middle;
  }
  return (low + high) / 2;
}
