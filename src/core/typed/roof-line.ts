import type { Battery, ChargeController } from "../site";
import { azimuthOf } from "./directions";
import { Line } from "./line";
import { batteryOf, controllerOf } from "./off-grid-line";
import { type DecimalMark, typedNumber } from "./typed-number";
import { inUnit, unitOf } from "./units";

/** What one roof of a line says; null where it says nothing of it. */
export interface RoofRead {
  readonly count: number | null;
  readonly moduleW: number | null;
  /** Of the whole roof, where no modules were counted. */
  readonly nameplateW: number | null;
  readonly tiltDeg: number | null;
  readonly azimuthDeg: number | null;
  readonly mounting: "open-rack" | "roof-gap" | "building-integrated" | null;
  readonly moduleAreaM2: number | null;
  readonly efficiencyFrac: number | null;
}

/** A plant in one line, and the words of it that nobody understood. */
export interface PlantRead {
  readonly roofs: readonly RoofRead[];
  readonly inverter: { readonly acRatedW: number; readonly devices: number; readonly perModule: boolean } | null;
  /** Said in so many words: a battery or a charge controller stands in its place. */
  readonly hasNoInverter: boolean;
  readonly chargeController: ChargeController | null;
  readonly battery: Battery | null;
  readonly unread: readonly string[];
}

const NUMBER = "(\\d[\\d.,]*)";
const POWER = `${NUMBER}\\s*(kwp|kw|wp|w|kva|va)\\b`;
/** Words that carry nothing of their own. */
const FILLERS =
  /\b(a|an|the|of|at|on|in|with|and|each|my|our|facing|faces|looking|looks|tilted|tilt|pitch|roofs?|modules?|panels?|solar|pv|array|system|plant|slope|from|flat|to|degrees?|deg|azimuth|bearing|true|nominal|power)\b/g;

/** A plant as people say it: "18 × 410 W, 30° south, 6 kW inverter"; several roofs apart by ";", "+" or a new line. */
export function plantOfLine(text: string, mark: DecimalMark): PlantRead {
  const line = new Line(text.toLowerCase().replaceAll("\u2212", "-").replaceAll("²", "2"));
  const isOffGrid = line.take(/\b(no inverter|without (an )?inverter|off[- ]?grid)\b/) !== null;
  const chargeController = controllerOf(line, mark);
  const battery = batteryOf(line, mark);
  const inverter = inverterOf(line, mark);
  const parts = line.text.split(/;|\+|\n|\bplus\b/).filter((part) => /[a-z\d]/.test(part));
  const reads = parts.map((part) => roofOf(new Line(part), mark));
  return {
    roofs: reads.map(({ roof }) => roof).filter((roof) => Object.values(roof).some((value) => value !== null)),
    inverter,
    hasNoInverter: (isOffGrid || chargeController !== null) && inverter === null,
    chargeController,
    battery,
    unread: reads.flatMap(({ unread }) => unread),
  };
}

/** Watts of a number and its unit. */
function watts(number: string, unit: string, mark: DecimalMark): number | null {
  const value = typedNumber(number.replace(/[.,]$/, ""), mark);
  return value !== null && value > 0 ? value * (unit.startsWith("k") ? 1000 : 1) : null;
}

function inverterOf(line: Line, mark: DecimalMark): PlantRead["inverter"] {
  const devices = `(?:(\\d+)\\s*[x×*]?\\s*)?`;
  const before = new RegExp(`${devices}(?<!\\d)${POWER}\\s*(micro)?[- ]?inverters?\\b`);
  const behind = new RegExp(`${devices}\\b(micro)?[- ]?inverters?\\s*(?:of|with|at|:)?\\s*${POWER}`);
  const [first, second] = [line.take(before), null as RegExpExecArray | null];
  const found = first
    ? { count: first[1], number: first[2]!, unit: first[3]!, micro: first[4] }
    : (() => {
        const match = second ?? line.take(behind);
        return match && { count: match[1], number: match[3]!, unit: match[4]!, micro: match[2] };
      })();
  if (!found) return null;
  const acRatedW = watts(found.number, found.unit, mark);
  return acRatedW === null ? null : { acRatedW, devices: Number(found.count ?? 1), perModule: found.micro !== undefined };
}

function roofOf(line: Line, mark: DecimalMark): { readonly roof: RoofRead; readonly unread: readonly string[] } {
  const counted = line.take(new RegExp(`(\\d+)\\s*(?:(?:modules?|panels?|pcs)\\s*(?:of|à|@|at|x|×)?|x|×|\\*)\\s*${POWER}`));
  const whole = counted ? null : line.take(new RegExp(POWER));
  const alone = counted ? null : line.take(/(\d+)\s*(?:modules?|panels?)\b/);
  const area = line.take(new RegExp(`${NUMBER}\\s*(m2|sqm|sq\\.? ?m|sq\\.? ?ft|ft2)(?![a-z])`));
  const efficiency = line.take(new RegExp(`${NUMBER}\\s*%`));
  const power = whole && watts(whole[1]!, whole[2]!, mark);
  // A power that could be one module's beside a bare count is one module's.
  const isOfOne = alone !== null && power !== null && power < LARGEST_MODULE_W;
  const mounting = mountingOf(line);
  const { tiltDeg, azimuthDeg } = anglesOf(line, mark);
  const count = counted ? Number(counted[1]) : alone ? Number(alone[1]) : null;
  return {
    roof: {
      count,
      moduleW: counted ? watts(counted[2]!, counted[3]!, mark) : isOfOne ? power : null,
      nameplateW: isOfOne ? null : power,
      tiltDeg,
      azimuthDeg,
      mounting,
      moduleAreaM2: areaOf(area, count, mark),
      efficiencyFrac: efficiency ? (typedNumber(efficiency[1]!, mark) ?? 0) / 100 || null : null,
    },
    unread: line.text
      .replace(FILLERS, " ")
      .split(/[\s,.¦°:()/-]+/)
      .filter((word) => word !== ""),
  };
}

const LARGEST_MODULE_W = 1000;
/** No module is larger: an area beyond is that of all of them. */
const LARGEST_MODULE_M2 = 3.5;

function areaOf(found: RegExpExecArray | null, count: number | null, mark: DecimalMark): number | null {
  const value = found && typedNumber(found[1]!, mark);
  if (!value) return null;
  const m2 = /ft/.test(found[2]!) ? inUnit(value, unitOf("sq ft")!, unitOf("m²")!) : value;
  if (m2 <= LARGEST_MODULE_M2) return m2;
  return count && m2 / count <= LARGEST_MODULE_M2 ? m2 / count : null;
}

function mountingOf(line: Line): RoofRead["mounting"] {
  if (line.take(/\b(in-?roof|integrated|building-integrated|bipv)\b/)) return "building-integrated";
  if (line.take(/\b(ground(-mounted)?|field|open rack|rack|frame|carport|pole|ballast(ed)?)\b/)) return "open-rack";
  return line.take(/\b(on[- ]roof|rooftop|roof)\b/) ? "roof-gap" : null;
}

const COMPASS = "(?:north|south|east|west|[nesw]{1,3})";
const DEGREES = "\\s*(?:°|º|deg(?:rees?)?\\b)?";

/** The direction by its word or its bearing, then the tilt as the angle that is left. */
function anglesOf(line: Line, mark: DecimalMark): Pick<RoofRead, "tiltDeg" | "azimuthDeg"> {
  const asAzimuth = (text: string): number | null => {
    const read = azimuthOf(text, mark);
    return typeof read === "number" ? read : null;
  };
  const bearing = line.take(
    new RegExp(`\\b(?:azimuth|bearing|facing|faces)\\s*(?:of|:)?\\s*(-?\\d[\\d.,]*)${DEGREES}(?!\\s*(?:${COMPASS})\\b)`),
  );
  const quadrant = bearing
    ? null
    : (line.take(
        new RegExp(`\\d[\\d.,]*${DEGREES}\\s*(?:north|south|east|west|[nesw])\\s+(?:of|from)\\s+(?:north|south|east|west|[nesw])\\b`),
      ) ?? line.take(/\b[ns]\s*\d[\d.,]*\s*°?\s*[ew]\b/));
  const word = bearing || quadrant ? null : line.take(new RegExp(`(?<!\\p{L})${COMPASS}(?:[- ]?${COMPASS})?(?!\\p{L})`, "u"));
  const azimuthDeg = bearing ? typedNumber(bearing[1]!.replace(/[.,]$/, ""), mark) : asAzimuth((quadrant ?? word)?.[0] ?? "");
  return { tiltDeg: tiltOf(line, mark), azimuthDeg: azimuthDeg === null ? null : ((azimuthDeg % 360) + 360) % 360 };
}

function tiltOf(line: Line, mark: DecimalMark): number | null {
  const slope = line.take(new RegExp(`${NUMBER}\\s*(?:in|/|:)\\s*(12)\\b`));
  if (slope) return (Math.atan2(typedNumber(slope[1]!, mark) ?? 0, Number(slope[2])) * 180) / Math.PI;
  const angle =
    line.take(/(?<![\d.,-])(\d{1,2}(?:[.,]\d+)?)\s*(?:°|º|deg(?:rees?)?\b)/) ??
    line.take(/\b(?:tilt(?:ed)?|pitch|slope)\s*(?:of|:)?\s*(\d{1,2}(?:[.,]\d+)?)/);
  const value = angle && typedNumber(angle[1]!, mark);
  if (value !== null && value <= 90) return value;
  if (line.take(/\b(upright|vertical|fa[çc]ade|wall|fence)\b/)) {
    while (line.take(/\b(upright|vertical|fa[çc]ade|wall|fence)\b/));
    return 90;
  }
  return line.take(/\b(flat|level|horizontal)\b/) ? 0 : null;
}
