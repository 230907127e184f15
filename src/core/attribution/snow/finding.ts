import { Z_95 } from "../../statistics";
import { HOURS_PER_YEAR } from "../../units";
import type { Doubt } from "../doubt";
import type { RunEvidence } from "../evidence";
import { type CauseFinding, lostKwh, startOf, type within } from "../finding";
import type { SnowSpell } from "./detect";
import { sureFrac } from "./sure";
import {
  LEAST_SURE,
  LEAST_WINTER_FRAC,
  LONGEST_WINTER_DAYS,
  SNOW_DAY_FRAC,
  SNOW_OFF,
  SPELLS_APART_DAYS,
  SURE_BY_COLD_RAIN,
  SURE_BY_DEPTH,
} from "./thresholds";

interface Winter {
  readonly from: number;
  to: number;
  readonly spells: SnowSpell[];
}

/** Spells of one winter are one finding: a winter is what a reader asks about. */
export function snowFindings(evidence: RunEvidence, doubt: Doubt): CauseFinding[] {
  const { frame, snow, expectedKwh } = evidence;
  const yearKwh =
    (expectedKwh.reduce((sum, kwh) => (kwh > 0 ? sum + kwh : sum), 0) * HOURS_PER_YEAR) /
    ((frame.axis.count * frame.axis.stepMinutes) / 60);
  return wintersOf(evidence).flatMap((winter): CauseFinding[] => {
    const kwh = winter.spells.reduce((sum, { from, to }) => sum + lostKwh(evidence, from, to, (i) => 1 - snow.lostFrac[i]!), 0);
    if (kwh < LEAST_WINTER_FRAC * yearKwh || sureOf(evidence, winter, kwh) < LEAST_SURE) return [];
    const byDepth = frame.weather.snowDepthCm !== null;
    return [
      {
        kind: "snow",
        fromUtcMs: startOf(evidence, winter.from),
        toUtcMs: startOf(evidence, winter.to),
        ...spanOf(evidence, winter, kwh, doubt),
        confidenceFrac: (byDepth ? SURE_BY_DEPTH : SURE_BY_COLD_RAIN) * sureOf(evidence, winter, kwh),
        facts: { days: snowDays(evidence, winter.spells), spells: winter.spells.length, gauge: byDepth ? "depth" : "cold rain" },
      },
    ];
  });
}

/** The energy with its interval: by what months scatter where only months were read, else by what the walk from hour to hour is off. */
function spanOf(evidence: RunEvidence, winter: Winter, kwh: number, doubt: Doubt): ReturnType<typeof within> {
  const doubtKwh = monthsDoubt(evidence, winter);
  const off = doubtKwh === null ? offByHours(evidence, winter, kwh, doubt) : Z_95 * doubtKwh;
  return { kwh, kwhLow: Math.max(0, kwh - off), kwhHigh: kwh + off };
}

/** Of hours: what the winter's days owed is known no better than its bare days show, and how much a thin cover lets through no better than a share of the loss. */
function offByHours(evidence: RunEvidence, { spells }: Winter, kwh: number, doubt: Doubt): number {
  const due = spells.reduce((sum, { from, to }) => sum + lostKwh(evidence, from, to, () => 0), 0);
  const [first, last] = [spells[0]!.from, spells.at(-1)!.to];
  return Math.hypot(SNOW_OFF * kwh, doubt(first, last) * due);
}

/** By how much a winter may be off where only months were read, one deviation, kWh. */
function monthsDoubt({ frame, snow: { doubtKwhByMonth } }: RunEvidence, { spells }: Winter): number | null {
  if (!doubtKwhByMonth) return null;
  const monthsOf = ({ from, to }: SnowSpell): string[] => [from, to - 1].map((i) => frame.days.keys[frame.days.binOf[i]!]!.slice(0, 7));
  const months = new Set(spells.flatMap(monthsOf));
  return Math.sqrt([...months].reduce((sum, key) => sum + (doubtKwhByMonth.get(key) ?? 0) ** 2, 0));
}

/** How sure it is that a winter lost anything, against months that miss as much without snow. */
function sureOf(evidence: RunEvidence, winter: Winter, kwh: number): number {
  const doubtKwh = monthsDoubt(evidence, winter);
  return doubtKwh === null ? 1 : sureFrac(kwh, doubtKwh);
}

function wintersOf({ frame, snow }: RunEvidence): Winter[] {
  const dayOf = (i: number): number => frame.days.binOf[i]!;
  const winters: Winter[] = [];
  for (const spell of snow.spells) {
    const last = winters.at(-1);
    const goesOn =
      last && dayOf(spell.from) - dayOf(last.from) < LONGEST_WINTER_DAYS && dayOf(spell.from) - dayOf(last.to - 1) < SPELLS_APART_DAYS;
    if (goesOn) {
      last.to = spell.to;
      last.spells.push(spell);
    } else winters.push({ from: spell.from, to: spell.to, spells: [spell] });
  }
  return winters;
}

/** Days that lost more than a tenth to snow. */
function snowDays({ frame, snow, expectedKwh }: RunEvidence, spells: readonly SnowSpell[]): number {
  const byDay = new Map<number, { lost: number; all: number }>();
  for (const { from, to } of spells)
    for (let i = from; i < to; i++) {
      if (!(expectedKwh[i]! > 0)) continue;
      const day = frame.days.binOf[i]!;
      const sum = byDay.get(day) ?? { lost: 0, all: 0 };
      byDay.set(day, { lost: sum.lost + expectedKwh[i]! * snow.lostFrac[i]!, all: sum.all + expectedKwh[i]! });
    }
  return [...byDay.values()].filter(({ lost, all }) => lost > SNOW_DAY_FRAC * all).length;
}
