import { coordinateOf } from "./directions";
import { type DecimalMark, typedNumber } from "./typed-number";

/** A spot on the earth, degrees north and east. */
export interface Spot {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
}

/** Latitude before longitude, both with their hemispheres: 31°57'S 115°51'E, N 47.2 E 11.4. */
const LETTERED = /^\s*((?:[NS]\s*[^NSEW]+)|(?:[^NSEW]+[NS]))[\s,;/]*((?:[EW]\s*[^NSEW]+)|(?:[^NSEW]+[EW]))\s*$/i;
/** Named, as an address of a map has them: lat=47.2&lon=11.4. */
const NAMED = /lat\w*\D{0,4}?(-?\d{1,2}(?:\.\d+)?)\D{1,10}lon\w*\D{0,4}?(-?\d{1,3}(?:\.\d+)?)/i;
/** Two numbers beside each other; in a longer text, such as an address of a map, two with decimals. */
const BARE = /^\s*(-?[\d.,]+?)\s*[;,\s]\s*(-?[\d.,]+)\s*$/;
const INSIDE = /(?<![\d.])(-?\d{1,2}\.\d{2,})\s*[,;/ ]\s*(-?\d{1,3}\.\d{2,})(?![\d.])/;

const spot = (latitudeDeg: unknown, longitudeDeg: unknown): Spot | null =>
  typeof latitudeDeg === "number" && typeof longitudeDeg === "number" && Math.abs(latitudeDeg) <= 90 && Math.abs(longitudeDeg) <= 180
    ? { latitudeDeg, longitudeDeg }
    : null;

/** Coordinates out of what somebody typed or pasted from a phone; null where it is no pair of them, such as the name of a town. */
export function spotOf(text: string, mark: DecimalMark): Spot | null {
  const tidy = text.replaceAll("\u2212", "-");
  const lettered = LETTERED.exec(tidy.replace(/\b(north|south|east|west)\b/gi, (word) => word[0]!));
  if (lettered) return spot(coordinateOf(lettered[1]!, "latitude", mark), coordinateOf(lettered[2]!, "longitude", mark));
  const named = NAMED.exec(tidy) ?? INSIDE.exec(tidy);
  if (named) return spot(Number(named[1]), Number(named[2]));
  // 47,2 11,4 has its commas inside, 47.2,11.4 between.
  const commas = /^\s*(-?\d{1,2},\d+)\s*[;\s]\s*(-?\d{1,3},\d+)\s*$/.exec(tidy);
  const bare = commas ?? BARE.exec(tidy);
  return bare ? spot(typedNumber(bare[1]!, commas ? "," : "."), typedNumber(bare[2]!, commas ? "," : ".")) : null;
}
