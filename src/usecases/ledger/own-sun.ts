import type { OwnSun } from "@/contracts/own-sun";
import { readOfTimeFrac } from "@/core/ledger";
import { ownMeterSun } from "@/core/yield";
import type { OpenLedger } from "./open-ledger";

/** A month counts where it was read nearly whole. */
const WHOLE_FRAC = 0.97;

/** Light by the book's own meter: of each month of the year the mean of the years that counted it whole. */
export function ownSunOf({ site, report }: Pick<OpenLedger, "site" | "report">): OwnSun {
  const whole = report.months.flatMap((line) =>
    line.meteredKwh !== null && readOfTimeFrac(line) >= WHOLE_FRAC
      ? [{ year: Number(line.key.slice(0, 4)), month: Number(line.key.slice(5, 7)) - 1, kwh: line.meteredKwh }]
      : [],
  );
  const monthlyKwh = Array.from({ length: 12 }, (_, m) => {
    const own = whole.filter(({ month }) => month === m);
    return own.length === 0 ? null : own.reduce((sum, { kwh }) => sum + kwh, 0) / own.length;
  });
  // The middle of what was counted: half of the ageing is before it, half after.
  const year = whole[Math.floor(whole.length / 2)]?.year;
  return {
    ghiKwhM2: year === undefined ? monthlyKwh : ownMeterSun(site, monthlyKwh, year),
    countedMonths: monthlyKwh.filter((kwh) => kwh !== null).length,
  };
}
