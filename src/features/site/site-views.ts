import { say } from "@/wording/screens/site";

/** The views of the site chapter, in the order in which people work. */
export const SITE_VIEWS = [
  { id: "place", name: say.placeAndArrays },
  { id: "wiring", name: "Wiring" },
  { id: "shade", name: "Shade" },
  { id: "losses", name: say.lossesAndCosts },
  { id: "history", name: "History" },
] as const;
export type SiteView = (typeof SITE_VIEWS)[number]["id"];
