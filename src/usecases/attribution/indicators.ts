import type { Indicators } from "@/contracts/attribution";
import { heatFrac, type LedgerLine, performanceIndex, performanceRatio } from "@/core/ledger";
import { meanNameplateW, type Site } from "@/core/site";
import type { UpHours } from "./up-hours";

/** A year read less than this has a yield of its own season, not of a year: it is left out of the mean of years. */
const WHOLE_YEAR_FRAC = 0.95;

/** Indicators of each line, with the share read beside them. Source: IEC 61724-1:2021; IEC TS 61724-3:2016. */
export function indicatorsOf(
  lines: readonly LedgerLine[],
  planned: readonly LedgerLine[],
  up: ReadonlyMap<string, UpHours>,
  site: Site,
): Indicators[] {
  const all = lines.find(({ key }) => key === "all");
  const usualHeat = all ? heatFrac(all) : null;
  const yields = specificYields(lines, site);
  return lines.map((line) => {
    const expected = planned.find(({ key }) => key === line.key) ?? line;
    const known = [...up].filter(([month]) => line.key === "all" || month.startsWith(line.key));
    const lit = known.reduce((sum, [, value]) => sum + value.lit, 0);
    const down = line.accountsKwh.downtime;
    const at25C = temperatureCorrected(line);
    return {
      key: line.key,
      performanceRatio: performanceRatio(line),
      temperatureCorrectedRatio: at25C,
      usualHeatRatio: at25C === null || usualHeat === null ? null : at25C * (1 - usualHeat),
      twoSidedRatio: twoSided(line),
      specificYieldKwhPerKwp: yields.get(line.key) ?? null,
      energyPerformanceIndex: performanceIndex(expected),
      availabilityByTimeFrac: lit > 0 ? known.reduce((sum, [, value]) => sum + value.up, 0) / lit : null,
      availabilityByEnergyFrac:
        line.meteredKwh === null || line.unexplainedKwh === null || line.meteredKwh + down <= 0
          ? null
          : line.meteredKwh / (line.meteredKwh + down),
      readFrac: line.readFrac,
    };
  });
}

/**
 * Performance ratio of two-sided modules: against the light of both sides, the rear's by its bifaciality and as far as structure and rows leave it. The rear's
 * share of the time read is that of the span. Null where nothing comes from behind. Source: IEC 61724-1:2021, performance ratio of bifacial systems.
 */
function twoSided(line: LedgerLine): number | null {
  const plain = performanceRatio(line);
  const { rear } = line.accountsKwh;
  return plain === null || rear >= 0 || line.referenceKwh <= 0 ? null : plain / (1 - rear / line.referenceKwh);
}

const isMonth = ({ key }: LedgerLine): boolean => /^\d{4}-\d{2}$/.test(key);

/**
 * Metered energy by the kilowatts that stood at the time: of a month by the mean nameplate of its days, of a year the sum of its months, of all
 * years the mean of those that are whole. Years that nobody read whole have none.
 */
function specificYields(lines: readonly LedgerLine[], site: Site): Map<string, number> {
  const yields = new Map<string, number>();
  const months = lines.filter(isMonth);
  for (const { key, meteredKwh } of months) {
    const kwp = meanNameplateW(site, `${key}-01`, nextMonth(key)) / 1000;
    if (meteredKwh !== null && kwp > 0) yields.set(key, meteredKwh / kwp);
  }
  const years = lines.filter(({ key }) => /^\d{4}$/.test(key));
  for (const { key } of years) {
    const own = [...yields].filter(([month]) => month.length > 4 && month.startsWith(key));
    if (own.length > 0)
      yields.set(
        key,
        own.reduce((sum, [, value]) => sum + value, 0),
      );
  }
  const whole = years.filter(
    ({ key, readFrac }) =>
      readFrac >= WHOLE_YEAR_FRAC && yields.has(key) && months.filter((month) => month.key.startsWith(key)).length === 12,
  );
  if (whole.length > 0) yields.set("all", whole.reduce((sum, { key }) => sum + yields.get(key)!, 0) / whole.length);
  return yields;
}

function nextMonth(key: string): string {
  const [year, month] = key.split("-").map(Number) as [number, number];
  return new Date(Date.UTC(year, month, 1)).toISOString().slice(0, 10);
}

/**
 * Performance ratio as if cells had stood at 25 C: what heat took is given back to the reference at the stage where it was taken. Cell
 * temperatures are the model's. Source: IEC 61724-1:2021, temperature-corrected performance ratios (STC and annual-temperature-equivalent).
 */
function temperatureCorrected(line: LedgerLine): number | null {
  const plain = performanceRatio(line);
  const heat = heatFrac(line);
  return plain === null || heat === null ? null : plain / (1 - heat);
}
