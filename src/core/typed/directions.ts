import type { DecimalMark } from "./typed-number";
import { typedNumber } from "./typed-number";

const POINTS = ["n", "nne", "ne", "ene", "e", "ese", "se", "sse", "s", "ssw", "sw", "wsw", "w", "wnw", "nw", "nnw"] as const;
const WORDS: Readonly<Record<string, string>> = { north: "n", east: "e", south: "s", west: "w" };
const AT: Readonly<Record<string, number>> = { n: 0, e: 90, s: 180, w: 270 };

const short = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/north|east|south|west/g, (word) => WORDS[word]!)
    .replaceAll(/[°º]|deg(rees?)?\b/g, " ")
    .replaceAll(/[\s-]+(?=[a-z])/g, " ")
    .replace(/\s+/g, " ")
    .trim();

/** What can be wrong with a direction: a letter that says another side than its number, or no direction at all. */
export type DirectionFault = "wrong-side" | "no-direction";

const turned = (deg: number): number => ((deg % 360) + 360) % 360;
const between = (a: number, b: number): number => Math.abs(((a - b + 540) % 360) - 180);

/**
 * An azimuth (degrees clockwise from north) out of words: "SE", "south west", "S 20 E", "20 east of south", "250 W". A letter behind a bearing must name
 * the half of the horizon in which it lies: "105 W" is no azimuth.
 */
export function azimuthOf(text: string, mark: DecimalMark): number | DirectionFault {
  const tidy = short(text);
  const point = POINTS.indexOf(tidy.replaceAll(" ", "") as (typeof POINTS)[number]);
  if (point >= 0) return point * 22.5;
  const quadrant = /^([ns]) ?([\d.,]+) ?([ew])$/.exec(tidy);
  if (quadrant) return towards(quadrant[1]!, quadrant[2]!, quadrant[3]!, mark);
  const of = /^([\d.,]+) ?([nesw]) (?:of|from) ([nesw])$/.exec(tidy);
  if (of) return towards(of[3]!, of[1]!, of[2]!, mark);
  const lettered = /^([\d.,]+) ?([nesw])$/.exec(tidy);
  if (!lettered) return "no-direction";
  const deg = typedNumber(lettered[1]!, mark);
  if (deg === null || deg > 360) return "no-direction";
  return between(deg, AT[lettered[2]!]!) < 90 ? turned(deg) : "wrong-side";
}

/** From one main direction so many degrees towards another. */
function towards(from: string, by: string, to: string, mark: DecimalMark): number | DirectionFault {
  const deg = typedNumber(by, mark);
  if (deg === null || deg > 90 || between(AT[from]!, AT[to]!) !== 90) return "no-direction";
  return turned(AT[from]! + (turned(AT[to]! - AT[from]!) === 90 ? deg : -deg));
}

/** A coordinate with degrees, minutes and seconds, and its hemisphere before or behind: "31 S", "31° 30' 15\" S", "W 4.2". */
export function coordinateOf(text: string, axis: "latitude" | "longitude", mark: DecimalMark): number | DirectionFault {
  const tidy = text.trim().replaceAll("\u2212", "-");
  const parts =
    /^([NESWnesw]?)\s*(-?[\d.,]+)\s*[°º]?\s*(?:([\d.,]+)\s*['’′]\s*)?(?:([\d.,]+)\s*(?:["”″]|''))?\s*([NESWnesw]?|north|south|east|west)$/i.exec(
      tidy,
    );
  if (!parts || (parts[1] && parts[5])) return "no-direction";
  const [deg, minutes, seconds] = [parts[2], parts[3] ?? "0", parts[4] ?? "0"].map((part) => typedNumber(part!, mark));
  if (deg == null || minutes == null || seconds == null || minutes >= 60 || seconds >= 60) return "no-direction";
  const letter = (parts[1] || parts[5] || "").charAt(0).toLowerCase();
  const value = Math.abs(deg) + minutes / 60 + seconds / 3600;
  if (letter === "") return deg < 0 ? -value : value;
  if (!(axis === "latitude" ? "ns" : "ew").includes(letter) || deg < 0) return "wrong-side";
  return letter === "s" || letter === "w" ? -value : value;
}
