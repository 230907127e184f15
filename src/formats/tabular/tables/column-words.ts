import type { MappedQuantity } from "@/contracts/mapping";

/** What a header says of its column. */
export interface ColumnMeaning {
  readonly quantity: MappedQuantity;
  readonly factor: number;
  readonly offset: number;
  /** The unit that was found; null where it is a guess. */
  readonly unit: string | null;
  /** Of a counter: whether it begins anew every day. */
  readonly beginsAnew?: boolean;
}

const UNIT =
  /(?:^|[\s([_/-])(kwh|mwh|wh|kw|mw|w|w\/m2|w\/m²|wm2|wh\/m2|wh\/m²|kwh\/m2|kwh\/m²|°c|degc|c|°f|degf|f|m\/s|ms|km\/h|kmh|mph|kn|mm|cm|in)(?=$|[\s)\]_])/giu;

/** The last unit named in a header, in lower case; null for none. */
export function unitOf(header: string): string | null {
  const squares = /w\s?h?\s?[/_ ]\s?m\s?(2|²|\^2)/i.exec(header)?.[0];
  if (squares) {
    const plain = squares
      .toLowerCase()
      .replaceAll(/[\s_^]/g, "")
      .replace("²", "2")
      .replace("wm2", "w/m2");
    return /k\s?w/i.test(header.slice(Math.max(0, header.toLowerCase().indexOf(squares.toLowerCase()) - 2))) ? `k${plain}` : plain;
  }
  return [...header.matchAll(UNIT)].at(-1)?.[1]?.toLowerCase() ?? null;
}

/** Whether a cell is nothing but a unit. */
export const isUnit = (cell: string): boolean =>
  /^[([]?\s*(kwh|mwh|wh|kw|mw|w|w\/m2|w\/m²|kwh\/m2|°c|degc|c|°f|m\/s|km\/h|mph|mm|cm|%|v|a|hz|min|h)\s*[)\]]?$/i.test(cell.trim());

const ENERGY: Readonly<Record<string, number>> = { wh: 0.001, kwh: 1, mwh: 1000 };
const POWER: Readonly<Record<string, number>> = { w: 1, kw: 1000, mw: 1e6 };
const SPEED: Readonly<Record<string, number>> = { "m/s": 1, ms: 1, "km/h": 1 / 3.6, kmh: 1 / 3.6, mph: 0.44704, kn: 0.514444 };

const NOT_OURS =
  /module|modul|cell|zelle|panel temp|inverter temp|heat ?sink|battery|batterie|consum|verbrauch|load|import|bezug|grid (power|energy)|einspeis|feed.?in|price|revenue|co2|reactive|voltage|current|frequen|power.?factor|leistungsfaktor|cos ?(phi|φ)|humid|pressure|\bdc\b|efficien/i;

type As = (quantity: MappedQuantity, factor?: number, offset?: number) => ColumnMeaning;

/** A temperature, from Fahrenheit where its unit says so. */
const warmth = (unit: string | null, quantity: MappedQuantity, as: As): ColumnMeaning =>
  unit === "°f" || unit === "degf" || unit === "f" ? as(quantity, 5 / 9, -160 / 9) : as(quantity);

/** What a column holds by the words and the unit of its header; null when it is nothing that the ledger reads. */
export function meaningOf(header: string, stepMinutes: number | null): ColumnMeaning | null {
  const unit = unitOf(header);
  const text = header.toLowerCase();
  const as: As = (quantity, factor = 1, offset = 0) => ({ quantity, factor, offset, unit });
  if (/\bdni\b|direct normal|beam normal/.test(text)) return as("dni_w_m2", irradianceFactor(unit, stepMinutes));
  if (/\bdhi\b|diffus/.test(text)) return as("dhi_w_m2", irradianceFactor(unit, stepMinutes));
  if (/\bpoa\b|plane.of.array|in.plane|tilted irr|module irr|modulebene|g_?poa|\bgti\b/.test(text))
    return as("poa_w_m2", irradianceFactor(unit, stepMinutes));
  if (/\bghi\b|global|irradian|irradiat|insolation|strahlung|rayonnement|radiaci|solar rad|pyranom/.test(text))
    return as("ghi_w_m2", irradianceFactor(unit, stepMinutes));
  if (/(module|modul|panel|back|r[üu]ckseit).{0,12}temp|temp.{0,12}(module|modul\b|panel|back)|t_?(mod|bom)\b/.test(text))
    return warmth(unit, "module_temperature_c", as);
  if (NOT_OURS.test(text)) return null;
  if (/temp|lufttemp|t_?(air|amb)|außen/.test(text)) return warmth(unit, "air_temperature_c", as);
  if (/wind|vent\b|viento/.test(text) && !/dir/.test(text))
    return as("wind_speed_m_s", unit !== null && Object.hasOwn(SPEED, unit) ? SPEED[unit]! : 1);
  if (/rain|precip|niederschlag|regen|pluie|lluvia/.test(text)) return as("rain_mm", unit === "in" ? 25.4 : unit === "cm" ? 10 : 1);
  if (/snow|schnee|neige|nieve/.test(text)) return as("snow_depth_cm", unit === "mm" ? 0.1 : unit === "in" ? 2.54 : 1);
  if (/albedo/.test(text)) return as("albedo");
  if (unit !== null && Object.hasOwn(ENERGY, unit)) return as(COUNTER.test(text) ? "counter_kwh" : "energy_kwh", ENERGY[unit]);
  if (unit !== null && Object.hasOwn(POWER, unit)) return as("power_w", POWER[unit]);
  if (COUNTER.test(text)) return as("counter_kwh");
  if (/power|leistung|puissance|potencia|potenza|\bp_?ac\b/.test(text)) return as("power_w");
  if (/energy|energie|énergie|energ[ií]a|yield|ertrag|product|generat|erzeug|harvest/.test(text)) return as("energy_kwh");
  return null;
}

const COUNTER =
  /counter|lifetime|cumul|z[äa]hlerstand|meter reading|total yield|total energy|e_?total|gesamtertrag|index compteur|odometer/;

/** W/m2 stays; energy over an area becomes the mean power of its interval. */
function irradianceFactor(unit: string | null, stepMinutes: number | null): number {
  const perHour = 60 / (stepMinutes ?? 60);
  if (unit === "wh/m2") return perHour;
  if (unit === "kwh/m2") return 1000 * perHour;
  if (unit === "kw/m2") return 1000;
  return 1;
}
