import { ANSWERS, type Answer, type Basis, mayBeSaid, type Permission, type PlantBasis, type ToBring } from "@/core/basis";
import type { Assumption } from "@/core/site";
import type { PlantRead, RoofRead } from "@/core/typed";

/** What somebody has at hand when a book is opened. */
export const HAVES = ["logger", "weather", "months", "bills", "display", "quote"] as const;
export type Have = (typeof HAVES)[number];

export interface Where {
  readonly label: string;
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly timeZone: string;
}

/** What was said of a book that is not open yet; nothing of it is stored on the server. */
export interface Opening {
  readonly name: string;
  /** As it was typed, and what it was taken for. */
  readonly place: string;
  readonly where: Where | null;
  readonly elevationM: number | null;
  readonly line: string;
  readonly has: readonly Have[];
}

export const NOTHING_SAID: Opening = { name: "", place: "", where: null, elevationM: null, line: "", has: [] };

/** Taken where a power is told and no module. */
const USUAL_MODULE_W = 400;
/** Away from the equator roofs stand at about this. */
const USUAL_TILT_DEG = 30;
const NEAR_EQUATOR_DEG = 25;
const USUAL_TILT_NEAR_EQUATOR_DEG = 15;

interface Roof {
  readonly count: number;
  readonly pmpW: number;
  readonly tiltDeg: number;
  readonly azimuthDeg: number;
  readonly mounting: "open-rack" | "roof-gap" | "building-integrated";
  readonly areaM2: number | null;
}

/** A site document made of what was said, and what had to be taken for granted; null while there is no place or no roof. */
export function siteOfOpening(
  { name, where, elevationM }: Opening,
  { roofs, inverter, hasNoInverter, chargeController, battery }: PlantRead,
): Record<string, unknown> | null {
  if (!where) return null;
  const assumed = new Set<Assumption>();
  if (elevationM === null) assumed.add("elevation");
  if (!inverter && !hasNoInverter) assumed.add("inverter");
  const known = roofs.filter(hasSize).map((roof) => roofFrom(roof, where.latitudeDeg, assumed));
  if (known.length === 0) return null;
  const types = new Map(known.map((roof) => [typeOf(roof), { pmpW: roof.pmpW, areaM2: roof.areaM2 }]));
  const arrays = known.map((roof, k) => ({
    id: known.length === 1 ? "roof" : `roof-${k + 1}`,
    name: known.length === 1 ? "Roof" : `Roof ${k + 1}`,
    module: typeOf(roof),
    count: roof.count,
    tiltDeg: roof.tiltDeg,
    azimuthDeg: roof.azimuthDeg,
    mounting: roof.mounting,
  }));
  return {
    format: "dusty-ledger/site",
    version: 1,
    name: name.trim() || where.label,
    place: {
      latitudeDeg: where.latitudeDeg,
      longitudeDeg: where.longitudeDeg,
      elevationM: elevationM ?? 0,
      timeZone: where.timeZone,
    },
    assumed: [...assumed],
    modules: Object.fromEntries(types),
    arrays,
    inverters: invertersOf(
      inverter,
      arrays.map(({ id }) => id),
    ),
    chargeController,
    battery,
    meters: [{ id: "main", point: hasNoInverter ? "dc" : "ac", arrays: arrays.map(({ id }) => id) }],
  };
}

function invertersOf(inverter: PlantRead["inverter"], arrays: readonly string[]): unknown[] {
  if (!inverter) return [];
  const { acRatedW, devices, perModule } = inverter;
  if (devices === arrays.length && devices > 1)
    return arrays.map((array, k) => ({ id: `inverter-${k + 1}`, arrays: [array], acRatedW, perModule }));
  return [{ id: "inverter", arrays, acRatedW: perModule ? acRatedW : acRatedW * devices, perModule }];
}

/** Modules of one power and one size are one type. */
const typeOf = ({ pmpW, areaM2 }: Roof): string => (areaM2 === null ? `${pmpW} W` : `${pmpW} W, ${areaM2} m²`);

/** Whether a roof says how large it is: without that nothing can be made of it. */
export const hasSize = ({ count, nameplateW }: RoofRead): boolean => count !== null || nameplateW !== null;

function roofFrom(read: RoofRead, latitudeDeg: number, assumed: Set<Assumption>): Roof {
  const { nameplateW } = read;
  let { count, moduleW } = read;
  if (count === null || (moduleW === null && nameplateW === null)) assumed.add("modules");
  count ??= Math.max(1, Math.round(nameplateW! / USUAL_MODULE_W));
  moduleW ??= nameplateW === null ? USUAL_MODULE_W : nameplateW / count;
  if (read.tiltDeg === null) assumed.add("tilt");
  const tiltDeg = read.tiltDeg ?? (Math.abs(latitudeDeg) < NEAR_EQUATOR_DEG ? USUAL_TILT_NEAR_EQUATOR_DEG : USUAL_TILT_DEG);
  // An efficiency tells the area, where none was said.
  const areaM2 = read.moduleAreaM2 ?? (read.efficiencyFrac === null ? null : moduleW / (1000 * read.efficiencyFrac));
  // A level roof looks nowhere.
  if (read.azimuthDeg === null && tiltDeg > 0) assumed.add("azimuth");
  return {
    count,
    pmpW: Number(moduleW.toFixed(1)),
    tiltDeg: Number(tiltDeg.toFixed(1)),
    azimuthDeg: read.azimuthDeg ?? (latitudeDeg < 0 ? 0 : 180),
    mounting: read.mounting ?? (tiltDeg === 90 ? "open-rack" : "roof-gap"),
    areaM2: areaM2 === null ? null : Number(areaM2.toFixed(3)),
  };
}

/** Power, area and efficiency that do not go together: what area and efficiency make, W, beside what was said. */
export function contradictionIn({
  moduleW,
  moduleAreaM2,
  efficiencyFrac,
}: RoofRead): { readonly saidW: number; readonly madeW: number } | null {
  if (moduleW === null || moduleAreaM2 === null || efficiencyFrac === null) return null;
  const madeW = 1000 * moduleAreaM2 * efficiencyFrac;
  return Math.abs(madeW / moduleW - 1) > ROUNDING_FRAC ? { saidW: moduleW, madeW } : null;
}
/** A rounded area and a rounded efficiency leave so much open. */
const ROUNDING_FRAC = 0.035;

/** What a book rests on once that is brought which somebody has. */
export function basisOfHaves(has: readonly Have[]): Pick<Basis, "weather" | "energy"> {
  const energy = has.includes("logger")
    ? "intervals"
    : has.includes("months")
      ? "months"
      : has.includes("display")
        ? "counter"
        : has.includes("bills")
          ? "bills"
          : "none";
  return { weather: has.includes("weather") ? "measured" : "none", energy };
}

export interface Answerable {
  readonly answer: Answer;
  readonly permission: Permission;
  readonly bring: ToBring;
}

/** What may be told of such a plant once all that is ticked is in the book. No price is known yet. */
export const answerable = (has: readonly Have[], plant: PlantBasis): Answerable[] =>
  ANSWERS.map((answer) => ({ answer, ...mayBeSaid(answer, { ...basisOfHaves(has), plant, tariff: "none" }) }));

/** Where to go first with what somebody has. */
export function firstStop(slug: string, has: readonly Have[]): string {
  const book = `/books/${slug}`;
  if (has.includes("logger") || has.includes("weather")) return `${book}/readings`;
  if (has.includes("months")) return `${book}/readings?view=type`;
  if (has.includes("bills")) return `${book}/money?view=bills`;
  if (has.includes("display")) return `${book}/field-book?view=wall`;
  return has.includes("quote") ? `${book}/ledger?view=promise` : `${book}/site`;
}
