import { say } from "@/wording/screens/acceptance";

/** Views of the chapter, in the order in which they are used. */
export const ACCEPTANCE_VIEWS = [
  { id: "capacity", name: say.capacity },
  { id: "guarantee", name: say.guarantee },
  { id: "kept", name: say.kept },
] as const;
export type AcceptanceViewId = (typeof ACCEPTANCE_VIEWS)[number]["id"];
