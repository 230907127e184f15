import type { Indicators } from "@/contracts/attribution";
import type { RunEvidence } from "@/core/attribution";
import { type LedgerLine, performanceIndex, performanceRatio } from "@/core/ledger";
import { nameplateW, type Site } from "@/core/site";

/** Indicators of each line, with the share read beside them. Source: IEC 61724-1:2021; IEC 61724-3:2016. */
export function indicatorsOf(
  lines: readonly LedgerLine[],
  planned: readonly LedgerLine[],
  up: ReadonlyMap<string, UpHours>,
  site: Site,
): Indicators[] {
  const kwp = nameplateW(site) / 1000;
  return lines.map((line) => {
    const expected = planned.find(({ key }) => key === line.key) ?? line;
    const known = [...up].filter(([month]) => line.key === "all" || month.startsWith(line.key));
    const lit = known.reduce((sum, [, value]) => sum + value.lit, 0);
    const down = line.accountsKwh.downtime;
    return {
      key: line.key,
      performanceRatio: performanceRatio(line),
      temperatureCorrectedRatio: temperatureCorrected(line),
      specificYieldKwhPerKwp: line.meteredKwh === null ? null : line.meteredKwh / kwp,
      energyPerformanceIndex: performanceIndex(expected),
      availabilityByTimeFrac: lit > 0 ? known.reduce((sum, [, value]) => sum + value.up, 0) / lit : null,
      availabilityByEnergyFrac: line.meteredKwh === null || line.meteredKwh + down <= 0 ? null : line.meteredKwh / (line.meteredKwh + down),
      readFrac: line.readFrac,
    };
  });
}

/** Performance ratio at 25 C cells: what heat took is given back to the reference at the stage where it was taken. Source: IEC 61724-1:2021, 14.3.3. */
function temperatureCorrected(line: LedgerLine): number | null {
  const plain = performanceRatio(line);
  const { orientation, shading, rear, snow, soiling, reflection, lowLight, temperature } = line.accountsKwh;
  const before = line.referenceKwh - orientation - shading - rear - snow - soiling - reflection - lowLight;
  return plain === null || before <= 0 ? null : plain / (1 - temperature / before);
}

export interface UpHours {
  readonly up: number;
  readonly lit: number;
}

/** Hours with light, and of them those in which the plant was not down, by local month. */
export function upByMonth({ frame, outages, expectedKwh }: RunEvidence): Map<string, UpHours> {
  const out = new Map<string, UpHours>();
  for (let i = 0; i < frame.axis.count; i++) {
    if (!(expectedKwh[i]! > 0) || frame.read[i] === 0) continue;
    const month = frame.days.keys[frame.days.binOf[i]!]!.slice(0, 7);
    const sum = out.get(month) ?? { up: 0, lit: 0 };
    out.set(month, { up: sum.up + (1 - outages.downFrac[i]!), lit: sum.lit + 1 });
  }
  return out;
}
