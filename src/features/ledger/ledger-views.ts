import { say } from "@/wording/screens/ledger";

/** Views of the ledger chapter, in the order in which a page is read. */
export const LEDGER_VIEWS = [
  { id: "year", name: "Year" },
  { id: "causes", name: "Causes" },
  { id: "dirt", name: say.dirtAndSnow },
  { id: "promise", name: "Promise" },
  { id: "modules", name: "Modules" },
  { id: "figures", name: "Indicators" },
] as const;

export type LedgerViewId = (typeof LEDGER_VIEWS)[number]["id"];
