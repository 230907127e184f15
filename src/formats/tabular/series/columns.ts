import { productionQuantities, weatherQuantities } from "@/contracts/mapping";

export { productionQuantities, weatherQuantities };

export type WeatherQuantity = (typeof weatherQuantities)[number];
export type Quantity = WeatherQuantity | (typeof productionQuantities)[number];
export type SeriesKind = "weather" | "production" | "modules";

const ALIASES: ReadonlyMap<string, string> = new Map([
  ["timestamp", "time"],
  ["temp_air_c", "air_temperature_c"],
  ["wind_m_s", "wind_speed_m_s"],
  ["expected_kwh", "kwh"],
]);

export interface SeriesColumn {
  readonly index: number;
  readonly header: string;
  readonly quantity: Quantity;
  /** Of production columns named "energy_kwh:main"; null where the file names none. */
  readonly meterId: string | null;
}

export interface HeaderReading {
  readonly timeIndex: number;
  readonly columns: readonly SeriesColumn[];
  readonly ignored: readonly string[];
  readonly repeated: readonly string[];
}

/** A header name without case and spaces, aliases resolved. */
export const canonicalHeader = (header: string): string => {
  const plain = header.trim().toLowerCase();
  return ALIASES.get(plain) ?? plain;
};

const isQuantity = (name: string): name is Quantity =>
  (weatherQuantities as readonly string[]).includes(name) || (productionQuantities as readonly string[]).includes(name);

/** Finds the columns that the ledger knows by their canonical names. Foreign headers are left to a mapping, which comes in here. */
export function readHeader(headers: readonly string[]): HeaderReading {
  const columns: SeriesColumn[] = [];
  const ignored: string[] = [];
  const repeated: string[] = [];
  const seen = new Set<string>();
  let timeIndex = -1;
  headers.forEach((header, index) => {
    const name = canonicalHeader(header);
    if (name !== "" && seen.has(name)) repeated.push(header.trim());
    seen.add(name);
    const [quantity = "", meterId = null] = splitMeter(name, header);
    if (name === "time" && timeIndex < 0) timeIndex = index;
    else if (isQuantity(quantity)) columns.push({ index, header: header.trim(), quantity, meterId });
    else if (name !== "") ignored.push(header.trim());
  });
  return { timeIndex, columns, ignored, repeated };
}

/** "energy_kwh:Main" is the quantity energy_kwh of the meter Main; the meter keeps its case. */
function splitMeter(name: string, header: string): [string, string | null] {
  const colon = name.indexOf(":");
  if (colon < 0) return [name, null];
  return [
    name.slice(0, colon),
    header
      .trim()
      .slice(header.trim().indexOf(":") + 1)
      .trim(),
  ];
}

export const kindOf = (quantity: Quantity): SeriesKind =>
  (weatherQuantities as readonly string[]).includes(quantity) ? "weather" : "production";
