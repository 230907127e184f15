import { readXml } from "../xml";

/** Forty years of quarters of an hour, with all that stands beside each reading. */
const LIMITS = { mostTags: 30_000_000, mostDepth: 40 } as const;

/** What a reading type says; NaN where it does not. */
export interface TypeElement {
  powerOfTen: number;
  uom: number;
  flow: number;
}

/** One reading: epoch seconds, its length in seconds, and its value; NaN where it does not say. */
export interface ReadingElement {
  start: number;
  duration: number;
  value: number;
}

export interface EspiElements {
  readonly types: readonly TypeElement[];
  /** Readings by interval block, in document order. */
  readonly blocks: readonly (readonly ReadingElement[])[];
}

const numeral = (text: string): number => (text.trim() === "" ? Number.NaN : Number(text));

/** Takes reading types and interval readings out of XML as it comes; all else passes by unkept. */
export async function espiElements(text: AsyncIterable<string>): Promise<EspiElements> {
  const types: TypeElement[] = [];
  const blocks: ReadingElement[][] = [];
  const path: string[] = [];
  let leaf = "";
  const reader = readXml(LIMITS, {
    open({ name }) {
      path.push(name);
      leaf = "";
      if (name === "ReadingType") types.push({ powerOfTen: Number.NaN, uom: Number.NaN, flow: Number.NaN });
      if (name === "IntervalBlock") blocks.push([]);
      if (name === "IntervalReading") blocks.at(-1)?.push({ start: Number.NaN, duration: Number.NaN, value: Number.NaN });
    },
    close(name) {
      path.pop();
      take(name, path.at(-1), types.at(-1), blocks.at(-1)?.at(-1), leaf);
      leaf = "";
    },
    text(piece) {
      leaf += piece;
    },
  });
  for await (const piece of text) reader.write(piece);
  reader.end();
  return { types, blocks };
}

/** Puts a leaf's number where it belongs, by its name and its parent's. */
function take(
  name: string,
  parent: string | undefined,
  type: TypeElement | undefined,
  reading: ReadingElement | undefined,
  text: string,
): void {
  if (parent === "ReadingType" && type) {
    if (name === "powerOfTenMultiplier") type.powerOfTen = numeral(text);
    else if (name === "uom") type.uom = numeral(text);
    else if (name === "flowDirection") type.flow = numeral(text);
  } else if (parent === "timePeriod" && reading) {
    if (name === "start") reading.start = numeral(text);
    else if (name === "duration") reading.duration = numeral(text);
  } else if (parent === "IntervalReading" && reading && name === "value") reading.value = numeral(text);
}
