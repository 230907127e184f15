import { catalogue } from "../catalogue";

/** What the screens of money say. */
export const say = catalogue({
  loanOrCash: "Loan or cash",
});
