import { IANAZone } from "luxon";
import { type Dice, diceOf } from "./dice";
import { type Kind, kindOf } from "./kinds";
import { REGIONS, type Region } from "./sky";

export const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;

export interface Span {
  readonly from: number;
  readonly to: number;
}

/** One plane of a stand-in: as its owner has it, and as it is. */
export interface Plane {
  readonly id: string;
  readonly tiltDeg: number;
  readonly bearingDeg: number;
  readonly realTiltDeg: number;
  readonly realBearingDeg: number;
  readonly strings: number;
  readonly perString: number;
}

/** A dark thing on the horizon, from a day on. */
export interface Obstacle {
  readonly plane: string;
  readonly fromMs: number;
  readonly leftDeg: number;
  readonly rightDeg: number;
  readonly topDeg: number;
  readonly passes: number;
  readonly skyLost: number;
}

/** All that is so of a stand-in, drawn from its seed; its owner knows a part of it. */
export interface Fate {
  readonly seed: number;
  readonly kind: Kind;
  readonly region: Region;
  readonly at: { readonly latitudeDeg: number; readonly longitudeDeg: number; readonly elevationM: number };
  readonly zone: IANAZone;
  readonly startMs: number;
  readonly days: number;
  readonly commissionedMs: number;
  readonly planes: readonly Plane[];
  readonly moduleW: number;
  readonly gammaPerK: number;
  readonly acRatedW: number;
  readonly laws: Laws;
  readonly cleanings: readonly { readonly ms: number; readonly isWritten: boolean }[];
  readonly outages: readonly (Span & { readonly kind: "plant" | "string" | "tracker"; readonly plane?: string; readonly share: number })[];
  readonly limits: readonly (Span & { readonly acW: number })[];
  readonly obstacles: readonly Obstacle[];
  readonly derating: { readonly fromC: number; readonly perK: number; readonly fan: (Span & { readonly sooner: number }) | null } | null;
  readonly ceiling: { readonly fromMs: number; readonly acW: number } | null;
  readonly meter: {
    readonly gain: number;
    readonly later: { readonly fromMs: number; readonly gain: number; readonly standIn: Span; readonly houseKwhADay: number } | null;
  };
  readonly nightW: number;
  readonly sensor: {
    readonly gain: number;
    readonly perYear: number;
    readonly noise: number;
    readonly tempBiasC: number;
    readonly domes: readonly (Span & { readonly deepest: number; readonly isWritten: boolean })[];
    readonly rough: number;
    readonly seasonal: number;
  };
  readonly wrongClockUntilMs: number | null;
  readonly wrongUnit: Span | null;
}

/**
 * How this plant's modules, inverter, dirt and snow behave. Ranges: ageing Jordan et al., 2016; dirt Kimber et al., 2006; warming Faiman, 2008; slanting light Souka &
 * Safwat, 1966; weak light Reich et al., 2009; snow Marion et al., 2013; diffuse light round the sun Hay & Davies, 1980, and Reindl, Beckman & Duffie, 1990.
 */
export interface Laws {
  readonly tolerance: number;
  readonly agesPerYear: number;
  readonly firstStep: number;
  readonly u0: number;
  readonly u1: number;
  readonly slant: number;
  readonly weakAt200: number;
  readonly weakPower: number;
  readonly mismatch: number;
  readonly dcWiring: number;
  readonly acWiring: number;
  readonly idle: number;
  readonly linear: number;
  readonly square: number;
  readonly albedo: number;
  readonly dirtPerDay: number;
  readonly washMm: number;
  readonly washes: number;
  readonly dirtMost: number;
  readonly slidesPerHour: number;
  readonly aroundSun: number;
}

const round = (value: number, step: number): number => Math.round(value / step) * step;

function lawsOf(dice: Dice, region: Region, kind: Kind): Laws {
  const [least, most] = region.dirtPerDay;
  return {
    tolerance: dice.between(-0.025, 0.015),
    agesPerYear: kind === "days" && dice.chance(0.5) ? 0 : dice.between(0.002, 0.012),
    firstStep: dice.chance(0.3) ? dice.between(0.003, 0.015) : 0,
    u0: dice.between(24, 31),
    u1: dice.between(3.5, 7.5),
    slant: dice.between(0.035, 0.065),
    weakAt200: dice.between(0.012, 0.055),
    weakPower: dice.between(1, 2),
    mismatch: dice.between(0.006, 0.016),
    dcWiring: dice.between(0.008, 0.016),
    acWiring: dice.between(0.003, 0.008),
    idle: dice.between(0.003, 0.008),
    linear: dice.between(0.004, 0.011),
    square: dice.between(0.004, 0.012),
    albedo: dice.between(0.16, 0.26),
    dirtPerDay: least * (most / least) ** dice.between(0, 1),
    washMm: dice.between(0.3, 5),
    washes: dice.between(0.75, 0.98),
    dirtMost: dice.between(0.08, 0.3),
    slidesPerHour: dice.between(0.02, 0.2),
    aroundSun: dice.between(0.5, 1),
  };
}

const FAVOURITE: Partial<Record<Kind, readonly string[]>> = {
  "dusty quarters": ["dry south", "desert", "southern plain"],
  "snowy hours": ["alpine", "continental", "oceanic"],
  heat: ["desert"],
  "held field": ["dry south", "southern plain", "italian plain"],
};

/** Draws all that is so of stand-in `seed`. */
export function fateOf(seed: number): Fate {
  const kind = kindOf(seed);
  const place = diceOf(seed, "place");
  const favourite = FAVOURITE[kind];
  const region = place.one(REGIONS.filter(({ name }) => !favourite || favourite.includes(name)));
  const at = {
    latitudeDeg: round(place.between(...region.latitudeDeg), 0.001),
    longitudeDeg: round(place.between(...region.longitudeDeg), 0.001),
    elevationM: Math.round(place.between(...region.elevationM)),
  };
  const zone = IANAZone.create(region.timeZone);
  const years = place.whole(3, 5);
  const first = Date.UTC(place.whole(2015, 2019), place.whole(0, 11), 1);
  const startMs = first - zone.offset(first) * 60_000;
  const days = Math.round(years * 365.25);
  const endMs = startMs + days * DAY_MS;
  const commissionedMs = first - place.whole(15, 200) * DAY_MS;
  const build = diceOf(seed, "build");
  const { planes, moduleW } = planesOf(build, at.latitudeDeg, kind);
  const dcW = planes.reduce((sum, plane) => sum + plane.strings * plane.perString * moduleW, 0);
  const acRatedW = round(dcW / (kind === "heat" ? build.between(1.15, 1.3) : build.between(1, 1.4)), 500) || 500;
  const laws = lawsOf(diceOf(seed, "laws"), region, kind);
  const fault = diceOf(seed, "faults");
  const when = (dice: Dice, lastsDays: number, margin = 120): Span => {
    const from = round(startMs + margin * DAY_MS + dice.between(0, 1) * (endMs - startMs - (2 * margin + lastsDays) * DAY_MS), HOUR_MS);
    return { from, to: from + round(lastsDays * DAY_MS, HOUR_MS) };
  };
  const isDirty = laws.dirtPerDay > 0.0003;
  const washEvery = fault.between(60, 220);
  const cleanings =
    isDirty && kind !== "months" && fault.chance(0.7)
      ? Array.from({ length: Math.floor(days / washEvery) }, (_, k) => ({
          ms: startMs + round((k + fault.between(0.4, 1)) * washEvery, 1) * DAY_MS,
          isWritten: fault.chance(0.55),
        })).filter(({ ms }) => ms < endMs)
      : [];
  return {
    seed,
    kind,
    region,
    at,
    zone,
    startMs,
    days,
    commissionedMs,
    planes,
    moduleW,
    acRatedW,
    laws,
    cleanings,
    gammaPerK: round(build.between(-0.0042, -0.0029), 0.0001),
    outages: outagesOf(diceOf(seed, "outages"), kind, planes, when),
    limits:
      kind === "held field"
        ? Array.from({ length: fault.whole(1, 3) }, () => ({
            ...when(fault, fault.between(5, 60)),
            acW: fault.between(0.3, 0.75) * acRatedW,
          }))
        : [],
    obstacles: obstaclesOf(diceOf(seed, "shade"), kind, planes, at.latitudeDeg < 0, startMs, () => when(fault, 1, 250).from),
    derating:
      kind === "heat"
        ? {
            fromC: fault.between(40, 47),
            perK: fault.between(0.018, 0.03),
            fan: fault.chance(0.6) ? { ...fanOf(startMs, days, fault), sooner: fault.between(4, 9) } : null,
          }
        : null,
    ceiling: kind === "heat" && fault.chance(0.7) ? { fromMs: when(fault, 1, 300).from, acW: fault.between(0.85, 0.95) * acRatedW } : null,
    meter: meterOf(diceOf(seed, "meter"), kind, (lasts) => when(fault, lasts, 150), dcW),
    nightW: kind === "two planes" && fault.chance(0.7) ? fault.between(4, 15) : 0,
    sensor: sensorOf(diceOf(seed, "sensor"), kind, (lasts) => when(fault, lasts, 60)),
    wrongClockUntilMs: kind === "turned roof" && fault.chance(0.6) && region.timeZone !== "Asia/Riyadh" ? when(fault, 1, 400).from : null,
    wrongUnit: kind === "snowy hours" && fault.chance(0.6) ? when(fault, fault.between(8, 30)) : null,
  };
}

function planesOf(dice: Dice, latitudeDeg: number, kind: Kind): { planes: Plane[]; moduleW: number } {
  const moduleW = dice.whole(300, 460);
  const noon = latitudeDeg < 0 ? 0 : 180;
  const claimed = (bearing: number, tilt: number, id: string, strings: number, perString: number, turned = 0, leans = 0): Plane => ({
    id,
    strings,
    perString,
    tiltDeg: tilt,
    bearingDeg: (bearing + 360) % 360,
    realTiltDeg: tilt + leans,
    realBearingDeg: (bearing + turned + 360) % 360,
  });
  const perString = dice.whole(9, 20);
  if (kind === "two planes") {
    const [roof, turn] = [dice.whole(12, 35), dice.whole(-20, 20)];
    return { moduleW, planes: [claimed(90 + turn, roof, "A", 1, perString), claimed(270 + turn, roof, "B", 1, perString)] };
  }
  const tilt = dice.whole(10, 38);
  const isTurned = kind === "turned roof";
  const turned = isTurned ? (dice.chance(0.5) ? 1 : -1) * dice.between(14, 45) : 0;
  const leans = isTurned && dice.chance(0.3) && tilt > 18 ? dice.between(-6, 6) : 0;
  const strings =
    kind === "held field" || kind === "heat"
      ? dice.whole(12, 40)
      : kind === "days" || kind === "months"
        ? dice.whole(1, 3)
        : dice.whole(3, 10);
  return { moduleW, planes: [claimed(noon + dice.whole(-25, 25), tilt, "A", strings, perString, round(turned, 0.1), round(leans, 0.1))] };
}

function fanOf(startMs: number, days: number, dice: Dice): Span {
  const first = new Date(startMs).getUTCFullYear() + 1;
  const from = Date.UTC(first + dice.whole(0, Math.max(0, Math.floor(days / 365.25) - 2)), 4, dice.whole(1, 25), 9);
  return { from, to: from + dice.whole(50, 130) * DAY_MS };
}

function outagesOf(dice: Dice, kind: Kind, planes: readonly Plane[], when: (dice: Dice, lastsDays: number) => Span): Fate["outages"] {
  const most = { months: 0, days: 1, "held field": 4 }[kind as string] ?? 2;
  const whole = Array.from({ length: dice.whole(0, most) }, () => ({
    ...when(dice, dice.between(1.5, 20)),
    kind: "plant" as const,
    share: 1,
  }));
  const part = planes[0]!;
  const string =
    ["snowy hours", "dusty quarters", "held field"].includes(kind) && dice.chance(0.6) && part.strings <= 10
      ? [{ ...when(dice, dice.between(30, 240)), kind: "string" as const, share: 1 / part.strings }]
      : [];
  const tracker =
    kind === "two planes" && dice.chance(0.8)
      ? [{ ...when(dice, dice.between(14, 70)), kind: "tracker" as const, plane: dice.one(planes).id, share: 1 }]
      : [];
  return kind === "sound" ? [] : [...whole, ...string, ...tracker];
}

function obstaclesOf(dice: Dice, kind: Kind, planes: readonly Plane[], isSouth: boolean, startMs: number, later: () => number): Obstacle[] {
  if (!(kind === "shade" || (kind === "two planes" && dice.chance(0.7)))) return [];
  const plane = planes[0]!;
  const noon = isSouth ? 0 : 180;
  const middle =
    kind === "shade"
      ? noon + (dice.chance(0.5) ? 1 : -1) * dice.between(25, 75)
      : plane.realBearingDeg + dice.between(-5, 30) * (isSouth ? -1 : 1);
  const half = dice.between(14, 32);
  return [
    {
      plane: plane.id,
      fromMs: dice.chance(0.5) ? startMs : later(),
      leftDeg: middle - half,
      rightDeg: middle + half,
      topDeg: dice.between(14, 30),
      passes: dice.between(0.05, 0.3),
      skyLost: dice.between(0.008, 0.03),
    },
  ];
}

function meterOf(dice: Dice, kind: Kind, when: (lastsDays: number) => Span, dcW: number): Fate["meter"] {
  const gain = dice.between(-0.012, 0.012);
  if (kind !== "meter swap") return { gain, later: null };
  const standIn = when(dice.between(45, 130));
  return {
    gain,
    later: {
      fromMs: standIn.to,
      gain: gain + (dice.chance(0.5) ? 1 : -1) * dice.between(0.01, 0.03),
      standIn,
      houseKwhADay: (dcW / 1000) * dice.between(0.8, 2.2),
    },
  };
}

function sensorOf(dice: Dice, kind: Kind, when: (lastsDays: number) => Span): Fate["sensor"] {
  const isDrifting = kind === "drifting sensor";
  const isRough = kind === "rough weather";
  return {
    gain: dice.between(-0.014, 0.014),
    perYear: isDrifting ? (dice.chance(0.8) ? -1 : 1) * dice.between(0.003, 0.009) : 0,
    noise: dice.between(0.006, 0.014),
    tempBiasC: isRough ? dice.between(-2.5, 2.5) : dice.between(-0.4, 0.4),
    domes: isDrifting
      ? Array.from({ length: dice.whole(0, 2) }, () => ({
          ...when(dice.between(20, 70)),
          deepest: dice.between(0.04, 0.12),
          isWritten: dice.chance(0.5),
        }))
      : [],
    rough: isRough ? dice.between(0.08, 0.2) : 0,
    seasonal: isRough ? dice.between(-0.04, 0.04) : 0,
  };
}
