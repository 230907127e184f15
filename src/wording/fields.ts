/** Lists by their key: what one entry of them is. */
const ENTRIES: Readonly<Record<string, string>> = {
  arrays: "array",
  moduleTypes: "module type",
  modules: "module type",
  inverters: "inverter",
  meters: "meter",
  obstacles: "obstacle",
  horizon: "horizon point",
  revisions: "revision",
  tiltSchedule: "tilt step",
  plans: "tariff",
  bands: "band",
  seasons: "season",
  steps: "step",
};

/** What no rule makes out of a key. */
const NAMES: Readonly<Record<string, string>> = {
  pmpW: "rated power (W)",
  vocV: "open-circuit voltage (V)",
  iscA: "short-circuit current (A)",
  vmpV: "voltage at maximum power (V)",
  impA: "current at maximum power (A)",
  gammaPmpPerK: "power temperature coefficient",
  betaVocPerK: "Voc temperature coefficient",
  alphaIscPerK: "Isc temperature coefficient",
  noctC: "NOCT (°C)",
  acRatedW: "AC rating (W)",
  maxDcV: "highest DC voltage (V)",
  mpptMinV: "lower end of the MPPT range (V)",
  mpptMaxV: "upper end of the MPPT range (V)",
  monthlyKwh: "promised energy (kWh)",
  eastM: "metres east of the middle",
  northM: "metres north of the middle",
  key: "name",
  id: "short name",
};

/** Unit at the end of a key, as it is shown. */
const UNITS: readonly (readonly [string, string])[] = [
  ["PerDayFrac", "share a day"],
  ["PerYearFrac", "share a year"],
  ["PerKwh", "a kWh"],
  ["Frac", "0 to 1"],
  ["Deg", "°"],
  ["Kwh", "kWh"],
  ["Kw", "kW"],
  ["Mm2", "mm²"],
  ["Mm", "mm"],
  ["M2", "m²"],
  ["Ms", "m/s"],
  ["W", "W"],
  ["V", "V"],
  ["A", "A"],
  ["M", "m"],
  ["C", "°C"],
];

/** "dcInputLimitW" as "dc input limit (W)". */
function keyInWords(key: string): string {
  const known = Object.hasOwn(NAMES, key) ? NAMES[key] : undefined;
  if (known !== undefined) return known;
  const unit = UNITS.find(([end]) => key.endsWith(end) && key.length > end.length && /[a-z0-9]/.test(key[key.length - end.length - 1]!));
  const bare = unit ? key.slice(0, -unit[0].length) : key;
  const words = bare
    .replace(/([a-z0-9])([A-Z])/g, "$1 $2")
    .toLowerCase()
    .replace(/\b(ac|dc)\b/g, (current) => current.toUpperCase());
  return unit ? `${words} (${unit[1]})` : words;
}

/** A field of a document in words, from the whole to the part: `["moduleTypes", 2, "impA"]` is "module type 3, current at maximum power (A)". */
export function fieldInWords(path: readonly PropertyKey[]): string {
  const parts: string[] = [];
  for (let k = 0; k < path.length; k++) {
    const key = String(path[k]);
    const next = path[k + 1];
    const index = next === undefined ? Number.NaN : Number(next);
    const entry = Object.hasOwn(ENTRIES, key) ? ENTRIES[key]! : null;
    if (Number.isInteger(index) && String(next) !== "") {
      parts.push(`${entry ?? keyInWords(key)} ${index + 1}`);
      k++;
    } else if (entry && next !== undefined) {
      parts.push(`${entry} ${String(next)}`);
      k++;
    } else parts.push(keyInWords(key));
  }
  return parts.join(", ");
}
