import { Exact, ZERO } from "../exact";

/** Terms of an annuity, as spreadsheets have them: what is received is positive, what is paid negative. */
export interface AnnuityTerms {
  /** Interest a period, as a share. */
  readonly rate: Exact;
  readonly periods: number;
  readonly presentValue: Exact;
  /** Left at the end. */
  readonly futureValue?: Exact;
  /** Paid at a period's start instead of its end. */
  readonly isAhead?: boolean;
}

/** Even payment a period that takes a present value to a future one. Source: Brealey, Myers & Allen, 2020, Principles of corporate finance, chapter 2. */
export function payment({ rate, periods, presentValue, futureValue = ZERO, isAhead = false }: AnnuityTerms): Exact {
  if (rate.isZero()) return presentValue.plus(futureValue).div(periods).negated();
  const growth = rate.plus(1).pow(periods);
  const ahead = isAhead ? rate.plus(1) : new Exact(1);
  return presentValue
    .times(growth)
    .plus(futureValue)
    .times(rate)
    .div(ahead.times(growth.minus(1)))
    .negated();
}

/** What is owed after some payments; a debt is positive where the present value was received. */
export function owedAfter(terms: AnnuityTerms, paid: number): Exact {
  const { rate, presentValue, isAhead = false } = terms;
  const each = payment(terms);
  if (rate.isZero()) return presentValue.plus(each.times(paid));
  const growth = rate.plus(1).pow(paid);
  const ahead = isAhead ? rate.plus(1) : new Exact(1);
  return presentValue.times(growth).plus(each.times(ahead).times(growth.minus(1)).div(rate));
}

/** Share of payment k (from 1) that is interest. */
export function interestPart(terms: AnnuityTerms, k: number): Exact {
  if (terms.isAhead && k === 1) return ZERO;
  const owed = owedAfter(terms, k - 1);
  const interest = owed.times(terms.rate).negated();
  return terms.isAhead ? interest.div(terms.rate.plus(1)) : interest;
}
