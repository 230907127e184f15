import { type CloudlessReading, readCloudless } from "@/core/cloudless";
import { isOffGrid } from "@/core/site";
import type { OpenLedger } from "./open-ledger";
import { monthsRead } from "./without-weather";

const DRAWS = 1000;
const SEED = 20_411;
/** Coarser readings don't tell a clear day from a fair one. */
const COARSEST_MINUTES = 60;

/** What clear days of a book's meters alone tell; null without readings by the hour or finer, and off the grid, where a full battery and not the sun ends a day's curve. */
export function clearDaysOf({ site, meters }: Pick<OpenLedger, "site" | "meters">): CloudlessReading | null {
  if (isOffGrid(site)) return null;
  const fine = meters.filter(({ axis }) => axis.stepMinutes <= COARSEST_MINUTES);
  const axis = monthsRead(fine, [], site.place.timeZone);
  return axis && readCloudless({ site, axis, meters: fine, draws: DRAWS, seed: SEED });
}
