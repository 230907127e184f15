import { catalogue } from "../catalogue";

/** What the screens of money, loan say. */
export const say = catalogue({
  loanAndCashCanBeWeighed: "Loan and cash can be weighed once the costs, the price of a kWh and a year of energy are known: see Payback.",
  saveTheLoan: "Save the loan",
  billThatRemainsWithUpkeep: "bill that remains, with upkeep",
  billWithoutTheArray: "bill without the array",
  atOverYearsTheLoanTakes: (loan: string, loan2: string) => `At ${loan} over ${loan2} years the loan takes `,
  itCostsMoreThanHavingNo: (amountOf: string) => `It costs more than having no array, by ${amountOf} in today's money.`,
  paidInAll: (currency: string) => `paid in all, ${currency}`,
  inTodaysMoneyAt: (discountFrac: string) => `in today's money at ${discountFrac}`,
  itStillPaysAgainstHavingNo: (amountOf: string) => `It still pays against having no array, by ${amountOf} in today's money.`,
  theLoanStopsPayingAt: (answer: string) => `The loan stops paying at ${answer}.`,
  didYouMean: (value: string) => `Did you mean ${value} %?`,
  interestAYear: "Interest a year, %",
  newTermYears: "New term, years",
  theBillWithoutTheArrayIs: "The bill without the array is the last twelve months' use under the tariff in force, rising with the price.",
  withoutBillsTheBillWithoutThe: "Without bills, the bill without the array is taken as what the array saves: enter bills for the whole.",
  paidAYear: (currency: string) => `Paid a year, ${currency}`,
  loanAndRemainingBillAgainstThe: "Loan and remaining bill against the bill without the array, year by year",
  itIsCheaperThanTheOld: "It is cheaper than the old bill from the first year.",
  monthForMonthItIsCheaper: (cheaperFromYear: number) =>
    `Month for month it is cheaper than the bill without the array from year ${cheaperFromYear} on.`,
  onTheLoan: "On the loan",
  loanCashNoArray: "Loan, cash, no array",
  loanOrCash: "Loan or cash",
  paymentPrincipalR1RN:
    "payment = principal × r(1 + r)^n ÷ ((1 + r)^n − 1); worth = own money + Σ (payments + remaining bill) ÷ (1 + d)^year",
  interestInAll: "Interest in all",
  scheduleEachMonthRoundedToThe: "schedule, each month rounded to the cent",
  brealeyMyersAllen2020PrinciplesOf: "Brealey, Myers & Allen, 2020, Principles of corporate finance, chapter 2.",
  theLastPaymentTakesUpWhat: "The last payment takes up what rounding left.",
  toUseStaysAsItWasIn: "Use stays as it was in the last twelve months; the price rises as in the terms.",
  interestIsNotDeductedFromTaxes: "Interest is not deducted from taxes.",
});
