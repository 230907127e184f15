import type { LedgerSources } from "@/contracts/ledger";
import { type LedgerLine, sizeKwh } from "@/core/ledger";
import { isOnePlane, lightPlaneOf, nameplateW, type Site } from "@/core/site";
import { ASSUMED_WIND_MS } from "@/core/weather";
import { kwhDecimals, monthName, number } from "../format";
import type { Working } from "./working";

/** What a ledger's workings draw on. */
export interface LedgerContext {
  readonly site: Site;
  readonly sources: LedgerSources;
  readonly promiseFrom: "import" | "site" | null;
}

export const spanOf = (key: string): string =>
  key === "all" ? "all years" : key.length === 4 ? key : `${monthName(key)} ${key.slice(0, 4)}`;
export const kwh = (value: number, line: LedgerLine): string => `${number(value, kwhDecimals(sizeKwh(line)))} kWh`;
export const kwp = (site: Site): string => `${number(nameplateW(site) / 1000, 2)} kWp`;

export function kwhWorking(line: LedgerLine, title: string, value: number, rest: Omit<Working, "title" | "value" | "unit">): Working {
  return { title: `${title}, ${spanOf(line.key)}`, value: number(value, kwhDecimals(sizeKwh(line))), unit: "kWh", ...rest };
}

/** How the light of a sensor that does not lie with all modules becomes theirs; null where it does. */
function sensorAssumption(site: Site): string | null {
  if (site.lightPlane === null && isOnePlane(site)) return null;
  const { tiltDeg, azimuthDeg } = lightPlaneOf(site);
  const where = `${number(tiltDeg)}° tilt, ${number(azimuthDeg)}° azimuth${site.lightPlane ? "" : ", as the largest array, since the book does not say where"}`;
  return `The light sensor lies at ${where}: the light on the level that makes it read so is sought under the book's sky, and turned to each array (after Marion, 2015).`;
}

export function weatherAssumptions({ site, sources }: LedgerContext, line: LedgerLine): string[] {
  const list = [
    `Weather comes in ${sources.weatherStepMinutes ?? 60}-minute steps; the sun is taken at the middle of each, or of its sunlit part.`,
  ];
  if (line.filledReferenceKwh > 0)
    list.push(
      `${kwh(line.filledReferenceKwh, line)} of the reference stand on irradiance filled by rule (gaps: straight line up to 3 h, else the same hour of near days).`,
    );
  if (sources.weatherColumns.includes("module_temperature_c"))
    list.push(
      "Cell temperatures are those measured at the back of a module, and 0 to 3 K at 1000 W/m² by its mounting, for all arrays; where none was read they are the model's.",
    );
  const tilted = sources.weatherColumns.includes("poa_w_m2") ? sensorAssumption(site) : null;
  if (tilted) list.push(tilted);
  if (sources.assumedColumns.includes("air_temperature_c"))
    list.push("No air temperature was measured: the usual air of the latitude, height and season is taken, within some 5 K.");
  if (sources.assumedColumns.includes("wind_speed_m_s")) list.push(`No wind was measured: ${ASSUMED_WIND_MS} m/s is taken throughout.`);
  return list;
}
