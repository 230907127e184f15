import { say } from "@/wording/screens/field-book-inverter";

/** The order in which a plant is shut down and started, as a reminder; the maker's own procedure goes before it. */
export const SHUTDOWN = [
  say.tellWhoeverIsOnSiteRead,
  say.acSideFirstStopTheInverter,
  say.waitUntilTheDcCurrentOn,
  say.openTheDcIsolatorsAllOf,
  say.waitForTheCapacitorsToDischarge,
  say.lockAndTagTheIsolators,
  say.proveDeadWithATesterThat,
] as const;
export const STARTUP = [
  say.allCoversClosedAllConnectorsSeated,
  say.closeTheDcIsolators,
  say.waitUntilTheDisplayShowsDc,
  say.closeTheAcIsolatorOrBreaker,
  say.compareDcAcAndTheState,
] as const;
