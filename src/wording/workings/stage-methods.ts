import type { ModelAccount } from "@/core/accounts";
import { type ModelChoices, type ModuleType, type PvArray, rowsOf, type Site } from "@/core/site";
import { diodeTableOf, lowLightLossFrac, REAR_EVEN_FRAC, REAR_FREE_FRAC } from "@/core/yield";
import { number, percent } from "../format";
import type { WorkingInput } from "./working";

/** How a stage of the chain reckons its account on a site: formula, source, and the terms that went in. */
export interface StageMethod {
  readonly formula: string;
  readonly source: string;
  readonly terms: readonly WorkingInput[];
}

const FROM_SITE = "site chapter";
const term = (name: string, value: string, from = FROM_SITE): WorkingInput => ({ name, value, from });
const share = (name: string, value: number): StageMethod => ({
  formula: `energy × ${name}`,
  source: "Fixed share, as the book has it.",
  terms: [term(name[0]!.toUpperCase() + name.slice(1), percent(value, 2))],
});

/** Where a module's loss under weak light comes from. */
const lowLightFrom = (type: ModuleType): string =>
  type.powerMatrix !== null
    ? "its measured matrix"
    : type.lowLightLossFrac !== null
      ? "datasheet"
      : diodeTableOf(type)
        ? "its single-diode circuit, where it fits"
        : "usual for modules of today";

const hasMatrix = (modules: Site["modules"]): boolean => Object.values(modules).some(({ powerMatrix }) => powerMatrix !== null);

/** Rows as the rear sees them, and whether the book gave them. */
function rowTerm(site: Site, array: PvArray): WorkingInput {
  const { pitch, clearance } = rowsOf(site, array);
  const from = array.rowPitchM === null ? "usual rows: free of shade from 15° up" : FROM_SITE;
  return term(`Rows of ${array.name || array.id}`, `${number(pitch, 1)} slopes apart, ${number(clearance, 1)} up`, from);
}

/** Sources by method, in the words of the file format. */
export const SOURCES: { readonly [Stage in keyof ModelChoices]: Readonly<Record<ModelChoices[Stage], string>> } = {
  decomposition: { erbs: "Erbs, Klein & Duffie, 1982", disc: "Maxwell, 1987" },
  transposition: {
    "hay-davies": "Hay & Davies, 1980",
    isotropic: "Liu & Jordan, 1963",
    reindl: "Reindl, Beckman & Duffie, 1990",
    perez: "Perez et al., 1990",
  },
  reflection: {
    "martin-ruiz": "Martin & Ruiz, 2001",
    ashrae: "Souka & Safwat, 1966; ASHRAE 93",
    fresnel: "De Soto, Klein & Beckman, 2006",
  },
  cellTemperature: { faiman: "Faiman, 2008", ross: "Ross, 1980", king: "King, Boyson & Kratochvil, 2004" },
  power: { coefficient: "Huld et al., 2011; IEC 61215", "single-diode": "De Soto, Klein & Beckman, 2006" },
  soiling: { fixed: "Fixed share", "build-up": "Kimber et al., 2006" },
  shading: {
    "by-array": "As each array's hardware tells",
    "module-level": "Light of each module, by rays",
    "bypass-diodes": "Deline, 2009; Silvestre et al., 2009",
    "worst-module": "Series string held by its darkest module",
    none: "Horizon and obstacles left out",
  },
  snow: { none: "No snow model", sliding: "Marion et al., 2013", monthly: "Monthly shares; Townsend & Powers, 2011" },
  inverter: {
    "part-load": "Schmidt, Jantsch & Schmid, 1992; IEC 61683",
    constant: "Constant efficiency, IEC 61683",
    king: "King et al., 2007",
  },
  subHourlyClipping: {
    corrected: "Skartveit & Olseth, 1992 (spread inside the hour)",
    ignored: "Hourly means",
  },
};

const CELL_FORMULA: Readonly<Record<ModelChoices["cellTemperature"], string>> = {
  faiman: "T cell = T air + G ÷ (U₀ + U₁ v)",
  ross: "T cell = T air + (NOCT − 20) ÷ 800 × G",
  king: "T cell = T air + G exp(a + b v) + ΔT × G ÷ 1000",
};

const gammas = ({ modules }: Site): string =>
  Object.values(modules)
    .map((m) => `${number(m.gammaPmpPerK * 100, 2)} %/K`)
    .join(", ");

const METHODS: Readonly<Record<ModelAccount, (site: Site) => StageMethod>> = {
  orientation: ({ arrays }) => ({
    formula: "energy at nameplate in the book's plane − in the plane that the clear days show",
    source:
      "Turn and tilt fitted to clear days by least squares (Gauss-Newton), with an interval by redrawing days (Efron, 1979). The budget knows none.",
    terms: [
      term(
        "Planes in the book",
        arrays.map((array) => `${number(array.azimuthDeg)}° / ${number(array.tiltDeg)}°`).join(", "),
        "site chapter: arrays",
      ),
    ],
  }),
  rating: () => ({
    formula: "energy × (1 − metered ÷ expected at this load, all year alike)",
    source:
      "Rating of the modules, gain of the sensor and gain of the meter act alike and share this account (JCGM 100:2008). The budget knows none.",
    terms: [],
  }),
  shading: ({ models, obstacles, arrays, horizon }) => ({
    formula: "beam × share that passes obstacles and horizon, by patch of the array; sky × share still seen; then the string's rule",
    source: `Rays against slabs, columns and crowns (Kay & Kajiya, 1986); ${SOURCES.shading[models.shading]}.`,
    terms: [
      term("Obstacles", String(obstacles.length + arrays.reduce((sum, array) => sum + array.obstacles.length, 0)), "site chapter: shade"),
      term(
        "Horizon",
        horizon.length + arrays.reduce((sum, array) => sum + array.horizon.length, 0) > 0 ? "drawn" : "level",
        "site chapter: shade",
      ),
    ],
  }),
  rear: ({ modules, albedo, ...site }) => ({
    formula:
      "nameplate × bifaciality × structure × (beam on the rear + sky past the next row + albedo × ground seen, less the rows' shadow)",
    source:
      "The rear as a plane of its own (Hay & Davies, 1980); rows and ground after Marion, MacAlpine, Deline et al., 2017; structure Deline et al., 2016; uneven ground light Deline et al., 2020; IEC TS 60904-1-2:2019.",
    terms: [
      term(
        "Bifaciality",
        Object.values(modules)
          .map((m) => percent(m.bifacialityFrac, 0))
          .join(", "),
      ),
      term("Albedo", number(albedo, 2)),
      term("Structure leaves", percent(REAR_FREE_FRAC, 0), "usual"),
      term("Uneven ground light leaves", percent(REAR_EVEN_FRAC, 0), "usual"),
      ...site.arrays
        .filter(({ module, mounting }) => mounting === "open-rack" && (modules[module]?.bifacialityFrac ?? 0) > 0)
        .map((array) => rowTerm({ ...site, modules, albedo }, array)),
    ],
  }),
  snow: ({ models }) => ({
    formula: models.snow === "sliding" ? "energy × share of cell rows under a cover that slides off" : "energy × share of the month",
    source: SOURCES.snow[models.snow],
    terms: [],
  }),
  soiling: ({ models, losses, soiling }) =>
    models.soiling === "build-up"
      ? {
          formula: "energy × dirt of the day;  dirt grows daily, rain and cleanings take it off",
          source: SOURCES.soiling["build-up"],
          terms: [
            term("Growth a day", percent(soiling.ratePerDayFrac, 2)),
            term("Rain that cleans", `${number(soiling.cleaningRainMm)} mm a day`),
          ],
        }
      : share("soiling share", losses.soilingFrac),
  reflection: ({ models }) => ({
    formula: "beam × modifier(angle) + sky and ground × mean modifier",
    source: SOURCES.reflection[models.reflection],
    terms: [term("Model", models.reflection)],
  }),
  lowLight: ({ models, modules }) =>
    models.power === "single-diode"
      ? { formula: "energy × (1 − P(G, 25 °C) ÷ P(1000, 25 °C) × 1000 ÷ G)", source: SOURCES.power["single-diode"], terms: [] }
      : {
          formula: `energy × loss at 200 W/m² ÷ 7.7 % × (k₁ ln G′ + k₂ ln² G′)${hasMatrix(modules) ? ";  by a matrix: energy × (1 − η(G, 25 °C) ÷ η(1000, 25 °C))" : ""}`,
          source: "Huld et al., 2011, for the form; IEC 61215-1:2021 and IEC 61853-1:2011 for the loss at 200 W/m² and for a matrix.",
          terms: [
            term("k₁, k₂", "−0.017237, −0.040465", "Huld et al., table 2: 7.7 % at 200 W/m²"),
            ...Object.entries(modules).map(([name, type]) =>
              term(`Lost at 200 W/m² by ${name}`, percent(lowLightLossFrac(type), 1), lowLightFrom(type)),
            ),
          ],
        },
  temperature: (site) => ({
    formula: `${site.models.power === "single-diode" ? "energy × (1 − P(G, T) ÷ P(G, 25 °C))" : `energy × −γ × (T cell − 25 °C)${hasMatrix(site.modules) ? ", by a matrix × (1 − η(G, T) ÷ η(G, 25 °C))" : ""}`};  ${CELL_FORMULA[site.models.cellTemperature]}`,
    source: `${SOURCES.cellTemperature[site.models.cellTemperature]} (cell temperature); ${SOURCES.power[site.models.power]} (power).`,
    terms: [term("γ of maximum power", gammas(site), "site chapter: modules")],
  }),
  ageing: ({ ageing }) => ({
    formula: "energy × (first-year share × t, then rate × years since)",
    source: "Jordan & Kurtz, 2013; the budgeted rate, not a measured one.",
    terms: [term("First year, then each year", `${percent(ageing.firstYearFrac, 2)}, ${percent(ageing.perYearFrac, 2)}`)],
  }),
  mismatch: ({ losses }) => share("mismatch share", losses.mismatchFrac),
  dcWiring: ({ losses }) => share("DC wiring share", losses.dcWiringFrac),
  inverter: ({ models, inverters }) => ({
    formula: models.inverter === "constant" ? "energy × (1 − efficiency)" : "energy × (1 − efficiency at this load), and night draw",
    source: SOURCES.inverter[models.inverter],
    terms: [
      term(
        "Efficiency at rated load",
        inverters.map((i) => percent(i.ratedEfficiencyFrac)).join(", ") || "96 % assumed",
        "site chapter: inverters",
      ),
    ],
  }),
  clipping: ({ models, inverters }) => ({
    formula:
      models.subHourlyClipping === "corrected"
        ? "Σ mean of max(0, power − rating) over the spread inside the step × step"
        : "Σ max(0, AC power − rating) × step",
    source: `Power above the rating is not made. ${SOURCES.subHourlyClipping[models.subHourlyClipping]}.`,
    terms: [
      term(
        "AC rating",
        inverters.map((i) => `${number(i.acRatedW / 1000, 1)} kW${i.perModule ? " a module" : ""}`).join(", ") || "none",
        "site chapter: inverters",
      ),
    ],
  }),
  derating: ({ inverters }) => ({
    formula: "Σ max(0, AC power − rating × (1 − share × (device − from))) × step",
    source: "Inverters give less the warmer they are: their makers' curves.",
    terms: [
      ...inverters.flatMap(({ id, heatDerating }) =>
        heatDerating
          ? [
              term(
                `${id} in the heat`,
                `rating falls by ${percent(heatDerating.perKFrac, 1)} a kelvin from ${number(heatDerating.fromC)} °C, ${number(heatDerating.overAirK)} K over the air`,
                "site chapter: inverters",
              ),
            ]
          : [],
      ),
    ],
  }),
  acWiring: ({ losses }) => share("AC wiring share", losses.acWiringFrac),
  transformer: ({ losses }) => {
    const { terms, ...rest } = share("transformer share", losses.transformerFrac);
    return losses.transformerNoLoadW === 0
      ? { ...rest, terms }
      : {
          ...rest,
          formula: `${rest.formula} + what it draws, day and night`,
          terms: [...terms, term("Drawn day and night", `${number(losses.transformerNoLoadW)} W`)],
        };
  },
  curtailment: ({ exportLimitW, inverters }) => ({
    formula: "power above the export limit of the site, or of an inverter",
    source:
      "Limits of the book; found: days whose tops lie on one power, and stops that the field book says were ordered (IEC TS 63019:2019).",
    terms: [
      ...(exportLimitW === null ? [] : [term("Limit of the site", `${number(exportLimitW)} W`)]),
      ...inverters.flatMap(({ id, exportLimitW: own }) => (own === null ? [] : [term(`Limit of ${id}`, `${number(own)} W`)])),
    ],
  }),
  downtime: ({ losses }) => share("downtime share", losses.availabilityFrac),
};

export const stageMethod = (account: ModelAccount, site: Site): StageMethod => METHODS[account](site);
