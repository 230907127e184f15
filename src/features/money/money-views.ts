import { say } from "@/wording/screens/money";

/** Views of the money chapter, in the order in which owners ask. */
export const MONEY_VIEWS = [
  { id: "payback", name: "Payback" },
  { id: "bills", name: "Bills" },
  { id: "tariff", name: "Tariff" },
  { id: "loan", name: say.loanOrCash },
  { id: "cases", name: "Decisions" },
] as const;

export type MoneyViewId = (typeof MONEY_VIEWS)[number]["id"];
