import { MODEL_ACCOUNTS, type ModelAccount } from "../accounts";
import type { TimeAxis } from "../series";
import type { Site } from "../site";
import { monthBins } from "../time";
import { MINUTE_MS } from "../units";
import { clearSkyWeather } from "../weather";
import { runYield } from "./run-yield";

export interface Moment {
  readonly utcMs: number;
  /** Measured on the level, W/m2; null: a cloudless sky. */
  readonly ghiWm2: number | null;
  readonly airTempC: number;
  /** Measured in the plane of the modules, W/m2; overrules the level's. */
  readonly poaWm2?: number | null;
}

/** A site's power at one moment: what the sun owes at nameplate, what each account takes, what should stand at the meter, W. */
export interface MomentPower {
  readonly planeWm2: number;
  readonly referenceW: number;
  readonly accountsW: Readonly<Record<ModelAccount, number>>;
  readonly expectedW: number;
}

const TO_W = 60_000;

/** A site whose inverters draw nothing at night, for figures that speak of light alone. */
export const asleep = (site: Site): Site => ({
  ...site,
  losses: { ...site.losses, transformerNoLoadW: 0 },
  inverters: site.inverters.map((inverter) => ({ ...inverter, nightDrawW: 0 })),
});

/** The chain over one minute around a moment. */
export function momentPower(site: Site, { utcMs, ghiWm2, airTempC, poaWm2 = null }: Moment): MomentPower {
  const axis: TimeAxis = { startUtcMs: utcMs - MINUTE_MS / 2, stepMinutes: 1, count: 1 };
  const clear = clearSkyWeather(axis, site.place);
  const measured = ghiWm2 === null ? {} : { ghiWm2: Float64Array.of(ghiWm2), dniWm2: null, dhiWm2: null };
  const inPlane = poaWm2 === null ? {} : { poaWm2: Float64Array.of(poaWm2) };
  const weather = { ...clear, ...measured, ...inPlane, airTempC: Float64Array.of(airTempC) };
  const run = runYield(asleep(site), weather, monthBins(axis, site.place.timeZone));
  return {
    planeWm2: run.planeKwhM2[0]! * TO_W,
    referenceW: run.referenceKwh[0]! * TO_W,
    accountsW: Object.fromEntries(MODEL_ACCOUNTS.map((account) => [account, run.accountsKwh[account][0]! * TO_W])) as Record<
      ModelAccount,
      number
    >,
    expectedW: (run.expectedKwh[0] ?? 0) * TO_W,
  };
}
