import { readFile } from "node:fs/promises";
import zoneAt from "@photostructure/tz-lookup";
import anyAscii from "any-ascii";
import type { Town } from "@/contracts/towns";

/** Towns that one question brings at the most. */
const MOST_TOWNS = 8;
/** Lines that are looked at for one question: enough for the largest of every name. */
const MOST_LOOKED = 400;

/** Letters by which a town is found: small, without marks, of any script; as the list was made. */
const folded = (name: string): string =>
  anyAscii(name)
    .toLowerCase()
    .replace(/[^a-z\d]+/g, " ")
    .trim();

/** The part of a name behind its comma tells the country: its code or its name. */
function countryOf(text: string): ((code: string) => boolean) | null {
  const wanted = folded(text);
  if (wanted === "") return null;
  const names = new Intl.DisplayNames(["en"], { type: "region" });
  return (code) => code.toLowerCase() === wanted || folded(names.of(code) ?? "").startsWith(wanted);
}

/** Towns by the beginning of their names, then by that of a later word, the largest first. The list is as scripts/lib/towns makes it. */
export function townsIn(list: Buffer, question: string): Omit<Town, "timeZone">[] {
  const [name = "", country = ""] = question.split(",");
  const wanted = folded(name);
  if (wanted.length < 2) return [];
  const isOf = countryOf(country);
  const found = new Map<number, Omit<Town, "timeZone">>();
  for (const mark of [`\n${wanted}`, ` ${wanted}`]) {
    let looked = 0;
    for (let at = list.indexOf(mark); at >= 0 && looked < MOST_LOOKED && found.size < MOST_TOWNS; at = list.indexOf(mark, at + 1)) {
      looked++;
      const start = list.lastIndexOf("\n", at) + 1;
      const end = list.indexOf("\n", start);
      const [key = "", town = "", code = "", latitude, longitude] = list.toString("utf8", start, end).split("\t");
      // A later word of the name alone: the mark may lie in another column.
      if (!` ${key}`.includes(` ${wanted}`) || (isOf && !isOf(code))) continue;
      found.set(start, { name: town, country: code, latitudeDeg: Number(latitude), longitudeDeg: Number(longitude) });
    }
  }
  return [...found.values()];
}

export type Towns = (question: string) => Promise<Town[]>;

/** Finds towns in a file that is read when it is first asked. */
export function townFile(file: string): Towns {
  let list: Promise<Buffer> | null = null;
  return async (question) => {
    list ??= readFile(file);
    // A file that could not be read is tried again.
    list.catch(() => (list = null));
    return townsIn(await list, question).map((town) => ({ ...town, timeZone: zoneAt(town.latitudeDeg, town.longitudeDeg) }));
  };
}
