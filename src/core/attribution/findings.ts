import { HOURS_PER_YEAR, MINUTE_MS } from "../units";
import type { Evidence, RunEvidence } from "./pipeline";

/** What a search for causes can find. */
export const causeKinds = [
  "outage",
  "held-low",
  "strings-out",
  "snow",
  "ceiling",
  "shading",
  "orientation",
  "soiling",
  "unrecorded-cleaning",
  "ageing",
] as const;
export type CauseKind = (typeof causeKinds)[number];

/** One cause: when, how many kilowatt-hours at the meter with the interval that holds them, how sure, and the numbers that the wording needs. */
export interface CauseFinding {
  readonly kind: CauseKind;
  readonly fromUtcMs: number;
  readonly toUtcMs: number;
  /** Energy that would have come to the meter without this cause alone; null where none is claimed. */
  readonly kwh: number | null;
  readonly kwhLow: number | null;
  readonly kwhHigh: number | null;
  /** 0 to 1. */
  readonly confidenceFrac: number;
  readonly facts: Readonly<Record<string, number | string>>;
}

/** Standard shares by which each kind's energy may be off, two sided 95 %. */
const OUTAGE_OFF = 0.06;
const CURTAILED_OFF = 0.12;
const SNOW_OFF = 0.2;
const SHADE_OFF = 0.3;
const LEAST_WINTER_FRAC = 0.0015;
/** A ceiling this near the rating is the rating. */
const RATED_OFF = 0.025;
/** Ageing is a finding when it is surely faster than the book's budget by this. */
const AGEING_BEYOND = 0.0015;

/** All findings of an evidence, in order of time. `ratedW` is the AC rating in the book, null where there is none. */
export function causeFindings(evidence: Evidence, ratedW: number | null, plannedPerYearFrac: number): CauseFinding[] {
  const found = [
    ...datedFindings(evidence),
    ...ceiling(evidence, ratedW),
    ...shading(evidence),
    ...orientation(evidence),
    ...soiling(evidence),
    ...ageing(evidence, plannedPerYearFrac),
  ];
  return found.sort((a, b) => a.fromUtcMs - b.fromUtcMs || a.kind.localeCompare(b.kind));
}

/** Findings that begin and end on days: standstill, strings out, snow. */
export const datedFindings = (evidence: RunEvidence): CauseFinding[] => [
  ...outages(evidence),
  ...curtailed(evidence),
  ...strings(evidence),
  ...winters(evidence),
];

const startOf = ({ frame }: RunEvidence, i: number): number => frame.axis.startUtcMs + i * frame.axis.stepMinutes * MINUTE_MS;
const dayStart = (evidence: Evidence, day: number): number => startOf(evidence, Math.max(0, evidence.frame.days.binOf.indexOf(day)));
const whole = (evidence: Evidence): { fromUtcMs: number; toUtcMs: number } => ({
  fromUtcMs: startOf(evidence, 0),
  toUtcMs: startOf(evidence, evidence.frame.axis.count),
});
const within = (kwh: number, offFrac: number): Pick<CauseFinding, "kwh" | "kwhLow" | "kwhHigh"> => ({
  kwh,
  kwhLow: kwh * (1 - offFrac),
  kwhHigh: kwh * (1 + offFrac),
});

/** Energy lost at the meter over steps [from, to) to a cause that keeps `retainedFrac` of what an hour owes. */
function lostKwh({ expectedKwh, ceilingKwh }: RunEvidence, from: number, to: number, retainedFrac: (i: number) => number): number {
  let lost = 0;
  for (let i = from; i < to; i++) {
    const kwh = expectedKwh[i]!;
    if (kwh > 0) lost += Math.min(ceilingKwh, kwh) - Math.min(ceilingKwh, kwh * retainedFrac(i));
  }
  return lost;
}

function outages(evidence: RunEvidence): CauseFinding[] {
  const { downFrac, outages: list } = evidence.outages;
  return list.map(({ from, to }) => ({
    kind: "outage",
    fromUtcMs: startOf(evidence, from),
    toUtcMs: startOf(evidence, to),
    ...within(
      lostKwh(evidence, from, to, (i) => 1 - downFrac[i]!),
      OUTAGE_OFF,
    ),
    confidenceFrac: to - from > 3 ? 0.98 : 0.85,
    facts: { hours: ((to - from) * evidence.frame.axis.stepMinutes) / 60 },
  }));
}

function curtailed(evidence: RunEvidence): CauseFinding[] {
  const { lostFrac, spells } = evidence.curtailed;
  return spells.map(({ from, to, powerKw, days }) => ({
    kind: "held-low",
    fromUtcMs: startOf(evidence, from),
    toUtcMs: startOf(evidence, to),
    ...within(
      lostKwh(evidence, from, to, (i) => 1 - lostFrac[i]!),
      CURTAILED_OFF,
    ),
    confidenceFrac: days > 5 ? 0.95 : 0.85,
    facts: { powerKw, days },
  }));
}

function strings(evidence: RunEvidence): CauseFinding[] {
  return evidence.strings.map(({ from, to, lostFrac, measuredFrac, part, restored }) => ({
    kind: "strings-out",
    fromUtcMs: startOf(evidence, from),
    toUtcMs: startOf(evidence, to),
    ...within(
      lostKwh(evidence, from, to, () => 1 - lostFrac),
      Math.max(0.08, Math.abs(measuredFrac / lostFrac - 1)),
    ),
    confidenceFrac: Math.max(0.5, 0.97 - Math.abs(measuredFrac / lostFrac - 1)),
    facts: { part: part.kind, out: part.out, of: part.of, measuredFrac, lostFrac, restored: restored ? "yes" : "no" },
  }));
}

/** Spells of one winter are one finding: a winter is what a reader asks about. */
function winters(evidence: RunEvidence): CauseFinding[] {
  const { frame, snow, expectedKwh } = evidence;
  const yearKwh =
    (expectedKwh.reduce((sum, kwh) => (kwh > 0 ? sum + kwh : sum), 0) * HOURS_PER_YEAR) /
    ((frame.axis.count * frame.axis.stepMinutes) / 60);
  const halfYear = 183;
  const groups: { from: number; to: number; spells: { from: number; to: number }[] }[] = [];
  for (const spell of snow.spells) {
    const last = groups.at(-1);
    if (
      last &&
      frame.days.binOf[spell.from]! - frame.days.binOf[last.from]! < halfYear + 60 &&
      frame.days.binOf[spell.from]! - frame.days.binOf[last.to - 1]! < 75
    ) {
      last.to = spell.to;
      last.spells.push(spell);
    } else groups.push({ from: spell.from, to: spell.to, spells: [spell] });
  }
  return groups.flatMap((group): CauseFinding[] => {
    const kwh = group.spells.reduce((sum, { from, to }) => sum + lostKwh(evidence, from, to, (i) => 1 - snow.lostFrac[i]!), 0);
    if (kwh < LEAST_WINTER_FRAC * yearKwh) return [];
    const days = snowDays(evidence, group.spells);
    return [
      {
        kind: "snow",
        fromUtcMs: startOf(evidence, group.from),
        toUtcMs: startOf(evidence, group.to),
        ...within(kwh, SNOW_OFF),
        confidenceFrac: frame.weather.snowDepthCm ? 0.9 : 0.65,
        facts: { days, spells: group.spells.length, gauge: frame.weather.snowDepthCm ? "depth" : "cold rain" },
      },
    ];
  });
}

const SNOW_DAY_FRAC = 0.1;

/** Days that lost more than a tenth to snow. */
function snowDays({ frame, snow, expectedKwh }: RunEvidence, spells: readonly { from: number; to: number }[]): number {
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

function ceiling(evidence: Evidence, ratedW: number | null): CauseFinding[] {
  const { ceiling: top, frame } = evidence;
  if (!top || ratedW === null) return [];
  const ratedAtMeterW = ratedW * (1 - frame.site.losses.acWiringFrac);
  if (Math.abs(top.powerW / ratedAtMeterW - 1) < RATED_OFF) return [];
  const beyond = evidence.expectedKwh.reduce((sum, kwh) => {
    const most = (ratedAtMeterW / 1000) * (frame.axis.stepMinutes / 60);
    return kwh > evidence.ceilingKwh ? sum + Math.min(kwh, most) - evidence.ceilingKwh : sum;
  }, 0);
  return [
    {
      kind: "ceiling",
      ...whole(evidence),
      ...within(Math.max(0, beyond), 0.3),
      confidenceFrac: 0.9,
      facts: { powerW: top.powerW, ratedW: ratedAtMeterW, heldSteps: top.heldSteps },
    },
  ];
}

function shading(evidence: Evidence): CauseFinding[] {
  const { shade, frame } = evidence;
  if (!shade.isSeen) return [];
  const fields = shade.fields.filter((field) => field.isShaded);
  const low = fields.reduce((a, b) => (b.ratio < a.ratio ? b : a));
  return [
    {
      kind: "shading",
      ...whole(evidence),
      ...within(
        lostKwh(evidence, 0, frame.axis.count, (i) => 1 - shade.lostFrac[i]!),
        SHADE_OFF,
      ),
      confidenceFrac: 0.8,
      facts: { fields: fields.length, azimuthDeg: low.azimuthDeg, elevationDeg: low.elevationDeg, ratio: low.ratio },
    },
  ];
}

function orientation(evidence: Evidence): CauseFinding[] {
  const fit = evidence.orientation;
  if (!fit?.planeOffset) return [];
  const [array] = fit.site.arrays;
  return [
    {
      kind: "orientation",
      fromUtcMs: startOf(evidence, fit.from),
      toUtcMs: startOf(evidence, fit.to),
      kwh: null,
      kwhLow: null,
      kwhHigh: null,
      confidenceFrac: 0.95,
      facts: {
        azimuthOffsetDeg: fit.azimuthOffsetDeg.value,
        azimuthOffsetLowDeg: fit.azimuthOffsetDeg.low,
        azimuthOffsetHighDeg: fit.azimuthOffsetDeg.high,
        tiltOffsetDeg: fit.tiltOffsetDeg.value,
        tiltOffsetLowDeg: fit.tiltOffsetDeg.low,
        tiltOffsetHighDeg: fit.tiltOffsetDeg.high,
        wrong: fit.planeOffset.tiltOffsetDeg === 0 ? "azimuth" : fit.planeOffset.azimuthOffsetDeg === 0 ? "tilt" : "both",
        azimuthDeg: array?.azimuthDeg ?? Number.NaN,
        tiltDeg: array?.tiltDeg ?? Number.NaN,
        clockMinutes: fit.clockMinutes.value,
        days: fit.days,
        bookMissFrac: fit.bookMissFrac,
        fittedMissFrac: fit.fittedMissFrac,
        bookLevelFrac: fit.bookLevelFrac,
        fittedLevelFrac: fit.fittedLevelFrac,
      },
    },
  ];
}

/** A jump smaller than this is as likely the scatter of a week's weather. */
const LEAST_CLEANING_FRAC = 0.018;

/** Found on stand-ins: dirt that betters the fit by 100 and more is within a sixth of its truth, by 10 to 50 within two thirds or so. */
const DIRT_OFF = 2.5;
/** A fit that is better by this is as likely a trait of the sky as dirt. */
const HALF_SURE_GAIN = 10;
const MOST_SURE = 0.95;

/** Dirt of the whole record, and each cleaning that nobody wrote down. */
function soiling(evidence: Evidence): CauseFinding[] {
  const { soiling: dirt, frame } = evidence;
  if (!dirt.isSeen) return [];
  const kwh = lostKwh(
    { ...evidence, expectedKwh: withoutDirt(evidence) },
    0,
    frame.axis.count,
    (i) => 1 - dirt.lostFracByDay[frame.days.binOf[i]!]!,
  );
  const byFit = (1.96 * dirt.meanErrorFrac) / Math.max(1e-6, dirt.meanLostFrac) + 0.1;
  const off = Math.min(0.8, Math.max(byFit, DIRT_OFF / Math.sqrt(dirt.gain)));
  const suspected = dirt.resets.filter((reset) => reset.cause === "suspected" && reset.effectFrac > LEAST_CLEANING_FRAC);
  return [
    {
      kind: "soiling",
      ...whole(evidence),
      ...within(kwh, off),
      confidenceFrac: Math.min(MOST_SURE, dirt.gain / (dirt.gain + HALF_SURE_GAIN)),
      facts: {
        ratePerDayFrac: dirt.ratePerDay,
        rateLowFrac: dirt.ratePerDayRange[0],
        rateHighFrac: dirt.ratePerDayRange[1],
        meanLostFrac: dirt.meanLostFrac,
        mostLostFrac: Math.max(...dirt.lostFracByDay),
        fitGain: dirt.gain,
        rains: dirt.resets.filter((reset) => reset.cause === "rain").length,
        cleanings: dirt.resets.filter((reset) => reset.cause === "cleaning").length,
      },
    },
    ...suspected.map(
      (reset): CauseFinding => ({
        kind: "unrecorded-cleaning",
        fromUtcMs: dayStart(evidence, reset.day),
        toUtcMs: dayStart(evidence, reset.day + 1),
        kwh: null,
        kwhLow: null,
        kwhHigh: null,
        confidenceFrac: reset.effectFrac > 0.03 ? 0.85 : 0.65,
        facts: { beforeFrac: reset.beforeFrac, effectFrac: reset.effectFrac },
      }),
    ),
  ];
}

const withoutDirt = ({ expectedKwh, soiling: dirt, frame }: Evidence): Float64Array =>
  expectedKwh.map((kwh, i) => kwh / (1 - dirt.lostFracByDay[frame.days.binOf[i]!]!));

function ageing(evidence: Evidence, planned: number): CauseFinding[] {
  const { ageing: reading } = evidence;
  if (reading.isTooSoon || !(reading.low > planned + AGEING_BEYOND)) return [];
  return [
    {
      kind: "ageing",
      ...whole(evidence),
      kwh: null,
      kwhLow: null,
      kwhHigh: null,
      confidenceFrac: 0.95,
      facts: { perYearFrac: reading.perYearFrac, lowFrac: reading.low, highFrac: reading.high, plannedFrac: planned },
    },
  ];
}
