import type { LimitKey, StringCheck } from "@/core/electrical";
import type { ShadedHours } from "@/core/shading";
import { type Battery, CHARGING_OVER_NAME, type ChargeController, type Inverter, type Site } from "@/core/site";
import { number, percent } from "../format";
import type { Working } from "./working";

const FORMULA: Readonly<Record<LimitKey, string>> = {
  coldVoc: "modules in series × Voc × (1 + β (coldest − 25 °C)) ≤ highest DC voltage",
  moduleVoc: "modules in series × Voc × (1 + β (coldest − 25 °C)) ≤ system voltage of the modules",
  hotVmp: "modules in series × Vmp × (1 + γ (hottest cells − 25 °C)) ≥ lower end of the window",
  coldVmp: "modules in series × Vmp × (1 + γ (coldest − 25 °C)) ≤ upper end of the window",
  current: "1.25 × Isc × (1 + rear light) × strings on one input ≤ current of an input",
};

/** How a limit of a string came about. */
export function limitWorking(
  site: Site,
  checked: { readonly arrayId: string; readonly name: string; readonly inverter: Inverter; readonly check: StringCheck },
  key: LimitKey,
  title: string,
  unit: string,
): Working {
  const { check, inverter } = checked;
  const module = site.modules[site.arrays.find((array) => array.id === checked.arrayId)!.module]!;
  const open = (value: number | null, suffix: string): string => (value === null ? "not in the book" : `${number(value, 1)} ${suffix}`);
  const { value, limit } = check[key];
  const voltages = [
    { name: "Voc, Vmp", value: `${open(module.vocV, "V")}, ${open(module.vmpV, "V")}`, from: "site chapter: modules" },
    {
      name: "β of Voc, γ of power",
      value: `${percent(module.betaVocPerK, 2)}/K, ${percent(module.gammaPmpPerK, 2)}/K`,
      from: "site chapter: modules",
    },
    {
      name: "Coldest air, hottest cells",
      value: `${check.recordLowC === null ? "not known" : `${number(check.recordLowC)} °C`}, ${number(check.hotCellC)} °C`,
      from: check.isHeatAssumed ? "site chapter: place; the hottest air is a usual one" : "site chapter: place",
    },
    ...(check.coldGuess
      ? [
          {
            name: "Guess at the coldest air",
            value: `${number(check.coldGuess.airC)} °C: Voc ${open(check.coldGuess.vocV, "V")}, Vmp ${open(check.coldGuess.vmpV, "V")}`,
            from: "yearly mean by latitude (North, Cahalan & Coakley, 1981), 6.5 K a kilometre (ISO 2533:1975), and 8 to 40 K of winter from equator to pole; leans to the cold, judges nothing",
          },
        ]
      : []),
  ];
  return {
    title: `${title}: ${checked.name}`,
    value: value === null ? "not known" : number(value, 1),
    unit,
    formula: FORMULA[key],
    inputs: [
      { name: "Modules in series", value: number(check.modulesInSeries), from: "site chapter: arrays" },
      ...(key === "current"
        ? [
            {
              name: "Isc, strings, inputs",
              value: `${open(module.iscA, "A")}, ${check.strings}, ${inverter.inputs ?? 1}`,
              from: "site chapter",
            },
            {
              name: "Rear light",
              value: percent(check.rearFrac, 1),
              from: check.rearFrac > 0 ? "bifaciality × 135 W/m² behind 1000" : "modules of one side",
            },
          ]
        : voltages),
      {
        name: "Limit",
        value: limit === null ? "not in the book" : `${number(limit, 1)} ${unit}`,
        from: key === "moduleVoc" ? "site chapter: modules" : "site chapter: inverters",
      },
    ],
    source: "IEC 62548-1:2023, Photovoltaic (PV) arrays, design requirements; IEC TS 60904-1-2:2019 (rear light).",
    assumptions: ["Cells are as cold as the air at dawn, and 35 K over the air in full sun.", "The local code may ask for more."],
  };
}

/** Energy at the meter that would come back without an obstacle. */
export function obstacleWorking(name: string, months: readonly number[], openKwh: number, year: string | null): Working {
  const sum = months.reduce((a, b) => a + b, 0);
  return {
    title: `What ${name} costs a year`,
    value: number(sum, 1),
    unit: "kWh",
    formula: "expected at the meter without it − expected with it (the whole chain, twice)",
    inputs: [
      { name: "Weather", value: year ?? "a cloudless year", from: year === null ? "the book has none" : "the book" },
      { name: "Without any shade", value: `${number(openKwh)} kWh`, from: "the chain" },
      { name: "Heaviest month", value: `${number(Math.max(...months), 1)} kWh`, from: "the same two runs" },
    ],
    source: "Rays against slabs, columns and crowns (Kay & Kajiya, 1986), by patch of the array; sky view by the cosine over the sky.",
    assumptions: [
      "Gain if removed, not the ledger's account: two obstacles that shade the same hour each cost less than both.",
      "Level ground; what lies behind it may then shade.",
    ],
  };
}

/** How shaded hours are counted. */
export function hoursWorking(name: string, { sunHours, partHours, fullHours }: ShadedHours): Working {
  const hours = (values: readonly number[]): string =>
    `${number(
      values.reduce((a, b) => a + b, 0),
      1,
    )} h`;
  return {
    title: `Hours of sun and shade on ${name}`,
    value: number(
      sunHours.reduce((a, b) => a + b, 0),
      1,
    ),
    unit: "h",
    formula: "every twenty minutes of a year: sun up and before the modules; a ray to each of two points of every patch",
    inputs: [
      { name: "Sun on the modules", value: hours(sunHours), from: "sun path and the plane of the month" },
      { name: "Any part shaded", value: hours(partHours), from: "rays" },
      { name: "Weighed by the shaded share", value: hours(fullHours), from: "rays; a crown counts by the light it stops" },
    ],
    source: "The chain's own sun; rays against slabs, columns and crowns (Kay & Kajiya, 1986).",
    assumptions: ["Cloudless: an hour counts whether the sun shone or not. Energy is in the column beside."],
  };
}

/** What a charge controller lets into its battery at the most. */
export const chargingWorking = (mostW: number, { maxA }: ChargeController, { voltageV }: Battery): Working => ({
  title: "Most that the controller lets into the battery",
  value: number(mostW),
  unit: "W",
  formula: "current into the battery × its voltage × what it stands over its name while it is charged",
  inputs: [
    { name: "Current at most", value: `${number(maxA ?? 0)} A`, from: "site chapter: wiring" },
    { name: "Voltage of the battery", value: `${number(voltageV ?? 0)} V`, from: "site chapter: wiring" },
    { name: "Over its name", value: number(CHARGING_OVER_NAME, 1), from: "usual absorption voltages: 14.4 V of 12 V" },
  ],
  source: "Power is current times voltage.",
  assumptions: ["The battery is charged at the end of its bulk phase; lower it lets through less."],
});
