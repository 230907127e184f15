import { azimuthOf, coordinateOf } from "./directions";
import { type DecimalMark, typedNumber } from "./typed-number";
import { awgMm2, type Dimension, inUnit, type Unit, unitOf } from "./units";

/** What a field takes. */
export interface TypedField {
  /** The unit in which its number stands; null where it is a bare count. A currency is its own unit. */
  readonly unit: string | null;
  /** Angles that words and letters can give. */
  readonly angle?: "azimuth" | "tilt" | "latitude" | "longitude" | undefined;
  readonly decimalMark: DecimalMark;
  readonly min?: number | undefined;
  readonly max?: number | undefined;
  readonly isWhole?: boolean | undefined;
}

export type TypedRefusal =
  | { readonly reason: "no-number" }
  | { readonly reason: "unknown-unit"; readonly unit: string }
  | { readonly reason: "other-quantity"; readonly unit: string; readonly is: Dimension; readonly wanted: Dimension | null }
  | { readonly reason: "power-or-energy" }
  | { readonly reason: "needs-volts" }
  | { readonly reason: "wrong-side" }
  | { readonly reason: "not-whole" }
  | { readonly reason: "out-of-range"; readonly min: number | null; readonly max: number | null };

/** What was understood of a typed text. */
export type Typed =
  | { readonly kind: "empty" }
  /** `isPlain` where the text is the number itself, in the field's unit. */
  | { readonly kind: "value"; readonly value: number; readonly isPlain: boolean }
  | { readonly kind: "refused"; readonly refusal: TypedRefusal };

/** Text beyond this is no number. */
const LONGEST = 40;

/** Signs of money, and the currencies that are written with them. */
const CURRENCY_SIGNS: Readonly<Record<string, readonly string[]>> = {
  "€": ["EUR"],
  $: ["USD", "AUD", "CAD", "NZD", "SGD", "HKD", "MXN", "CLP", "COP", "ARS"],
  "£": ["GBP", "EGP"],
  "¥": ["JPY", "CNY"],
  "₹": ["INR"],
};

const refused = (refusal: TypedRefusal): Typed => ({ kind: "refused", refusal });

/** Reads what somebody typed into a number field: the number, in the field's unit, or why it is none. Nothing is guessed and no letter is dropped. */
export function readTyped(text: string, field: TypedField): Typed {
  const tidy = text.trim().replace(/\s+/g, " ");
  if (tidy === "") return { kind: "empty" };
  if (tidy.length > LONGEST) return refused({ reason: "no-number" });
  const read = field.angle && field.angle !== "tilt" ? readDirection(tidy, field) : readQuantity(tidy, field);
  return read.kind === "value" ? withinField(read, field) : read;
}

function withinField(read: Extract<Typed, { kind: "value" }>, { min, max, isWhole, angle }: TypedField): Typed {
  const { value } = read;
  if (angle === "azimuth") {
    if (Math.abs(value) > 360) return refused({ reason: "out-of-range", min: 0, max: 360 });
    return value >= 0 && value < 360 ? read : { kind: "value", value: (value + 360) % 360, isPlain: false };
  }
  if ((min !== undefined && value < min) || (max !== undefined && value > max))
    return refused({ reason: "out-of-range", min: min ?? null, max: max ?? null });
  return isWhole && !Number.isInteger(value) ? refused({ reason: "not-whole" }) : read;
}

function readDirection(text: string, { angle, decimalMark }: TypedField): Typed {
  const plain = typedNumber(text, decimalMark);
  if (plain !== null) return { kind: "value", value: plain, isPlain: isPlainly(text, decimalMark) };
  const bare = typedNumber(text.replace(/\s*(°|º|deg(rees?)?)$/, ""), decimalMark);
  if (bare !== null) return { kind: "value", value: bare, isPlain: false };
  const read = angle === "azimuth" ? azimuthOf(text, decimalMark) : coordinateOf(text, angle as "latitude" | "longitude", decimalMark);
  if (typeof read === "number") return { kind: "value", value: read, isPlain: false };
  return refused({ reason: read === "wrong-side" ? "wrong-side" : "no-number" });
}

function readQuantity(text: string, field: TypedField): Typed {
  const { decimalMark, unit } = field;
  const plain = field.angle === "tilt" && text.includes("/") ? null : typedNumber(text, decimalMark);
  if (plain !== null) return { kind: "value", value: plain, isPlain: isPlainly(text, decimalMark) };
  const wanted = unit === null ? null : unitOf(unit);
  const special = feetAndInches(text, field) ?? slope(text, field) ?? gauge(text, wanted) ?? charge(text, field, wanted);
  if (special) return special;
  if (/\bk?wp?\s*(\/|per|an?|in an?|each|every)\s*(h|hr|hour)\b/i.test(text)) return refused({ reason: "power-or-energy" });
  const [number, name] = parted(text, decimalMark);
  if (number === null) return refused({ reason: "no-number" });
  return converted(number, name, unit, wanted);
}

/** Digits with at most the reader's own decimal mark: nothing in it could be read otherwise. */
const isPlainly = (text: string, mark: DecimalMark): boolean => /^[+-]?\d*[.,]?\d*$/.test(text) && !text.includes(mark === "." ? "," : ".");

/** A number and the letters behind or before it. */
function parted(text: string, mark: DecimalMark): [number | null, string] {
  const behind = /^([-+\u2212–]?[\d.,'’ \u00a0\u202f/½¼¾⅓⅔⅛⅜⅝⅞]*[\d½¼¾⅓⅔⅛⅜⅝⅞])\s*(\D.*)$/.exec(text);
  if (behind) return [typedNumber(behind[1]!, mark), behind[2]!.trim()];
  const before = /^([^\d\s+-]+)\s*([-+]?[\d.,'’ ]+)$/.exec(text);
  return before ? [typedNumber(before[2]!, mark), before[1]!.trim()] : [null, ""];
}

function converted(value: number, name: string, unit: string | null, wanted: Unit | null): Typed {
  const own = name === unit || (unit !== null && CURRENCY_SIGNS[name]?.includes(unit)) || name.toUpperCase() === unit;
  if (own) return { kind: "value", value, isPlain: false };
  const found = unitOf(name);
  if (!found) return refused(/^\W|\d/.test(name) ? { reason: "no-number" } : { reason: "unknown-unit", unit: name });
  const isDifference = wanted?.dimension === "temperature-difference" && found.dimension === "temperature";
  // 10 °F warmer are 10 × 5/9 kelvin: no offset.
  if (isDifference) return { kind: "value", value: value * found.factor, isPlain: false };
  if (wanted?.dimension === "temperature" && name === "K")
    return { kind: "value", value: inUnit(value - 273.15, unitOf("°C")!, wanted), isPlain: false };
  if (found.dimension !== wanted?.dimension)
    return refused({ reason: "other-quantity", unit: name, is: found.dimension, wanted: wanted?.dimension ?? null });
  return { kind: "value", value: inUnit(value, found, wanted), isPlain: false };
}

/** 5' 6", 5 ft 6 in. */
function feetAndInches(text: string, { unit, decimalMark }: TypedField): Typed | null {
  const wanted = unit === null ? null : unitOf(unit);
  const parts = /^(\d+)\s*(?:'|’|′|ft|feet)\s*([\d.,/ ½¼¾]+)\s*(?:"|”|″|''|in|inches)?$/i.exec(text);
  if (!parts || wanted?.dimension !== "length" || /^\d{3}$/.test(parts[2]!.trim())) return null;
  const inches = typedNumber(parts[2]!, decimalMark);
  return inches === null ? null : { kind: "value", value: inUnit(Number(parts[1]) * 12 + inches, unitOf("in")!, wanted), isPlain: false };
}

/** A roof's pitch as builders say it: 4/12, 4 in 12, 4:12, or a slope in per cent. */
function slope(text: string, { angle, decimalMark }: TypedField): Typed | null {
  if (angle !== "tilt") return null;
  const pitch = /^([\d.,]+)\s*(?:\/|:|in)\s*(\d+)$/.exec(text);
  const share = /^([\d.,]+)\s*%$/.exec(text);
  const rise = typedNumber((pitch ?? share)?.[1] ?? "", decimalMark);
  if (rise === null) return null;
  const run = pitch ? Number(pitch[2]) : 100;
  return { kind: "value", value: Number(((Math.atan2(rise, run) * 180) / Math.PI).toFixed(2)), isPlain: false };
}

/** "6 AWG", "AWG 6", "2/0 AWG". */
function gauge(text: string, wanted: Unit | null): Typed | null {
  const parts = /^(?:awg\s*)?(\d{1,2})(\/0)?(?:\s*awg)?$/i.exec(text);
  if (!parts || !/awg/i.test(text)) return null;
  if (wanted?.dimension !== "section")
    return refused({ reason: "other-quantity", unit: "AWG", is: "section", wanted: wanted?.dimension ?? null });
  return { kind: "value", value: Number(awgMm2(parts[2] ? 1 - Number(parts[1]) : Number(parts[1])).toFixed(2)), isPlain: false };
}

/** A battery's charge is an energy at its voltage: "120 Ah at 12 V". */
function charge(text: string, { decimalMark }: TypedField, wanted: Unit | null): Typed | null {
  if (wanted?.dimension !== "energy") return null;
  const parts = /^([\d., ]+?)\s*ah(?:\s*(?:at|@|,|×|x)?\s*([\d.,]+)\s*v(?:olts?)?)?$/i.exec(text);
  const [ah, volts] = [typedNumber(parts?.[1] ?? "", decimalMark), typedNumber(parts?.[2] ?? "", decimalMark)];
  if (!parts || ah === null) return null;
  if (volts === null) return refused({ reason: "needs-volts" });
  return { kind: "value", value: (ah * volts) / 1000 / wanted.factor, isPlain: false };
}
