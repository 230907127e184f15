import type { AgeingReport, BookCause } from "@/contracts/attribution";
import { causeInWords, whenOf } from "../findings/attribution";
import { number, percent } from "../format";
import { LIGHT_NAMES } from "../light-sources";
import type { Working } from "./working";

const METHODS: Readonly<Record<BookCause["kind"], { readonly formula: string; readonly source: string }>> = {
  outage: {
    formula:
      "steps with light that asked for 4 % of rated output or more and gave under 1.5 % of what was expected of them; Σ expected over them",
    source: "IEC TS 61724-3:2016 (availability by time and by energy).",
  },
  "held-low": {
    formula:
      "days whose best hours, four or more, lie within 1.2 % of one power while 8 % more was expected of them, and not the same of each; Σ expected − that power over hours held. A ceiling that moved: from a day on none comes within 3 % of it any more, and ten best hours or more crowd within 0.6 % of one power",
    source: "Tops of the days; docs/methods.md, causes.",
  },
  derating: {
    formula:
      "Σ|metered − min(expected, ceiling × (1 − share × (intake − from)))| least over share and from, intake = air + 6 K × light ÷ 1000 W/m²; no heat, one law and a law with a span in which it begins sooner are weighed by days × ln(loss) + terms × ln(days)",
    source: "Schwarz, 1978, Estimating the dimension of a model; Bentley, 1984 (the span); Kass & Raftery, 1995 (how much better).",
  },
  "strings-out": {
    formula:
      "median ratio of 7 good days after ÷ 7 before = 1 − k ÷ n, most of it between two days and 70 % of it beside what dirt explains; Σ expected × k ÷ n until it comes back",
    source: "Medians on both sides of a step; docs/methods.md, causes.",
  },
  snow: {
    formula: "from each fall until two hours in a row give 90 % of the usual: Σ expected × (1 − metered ÷ expected)",
    source: "After Marion et al., 2013, with the meter in place of the model’s end of a cover.",
  },
  ceiling: {
    formula: "the power on which most of the highest readings lie",
    source: "Histogram of the readings; docs/methods.md, causes.",
  },
  shading: {
    formula:
      "median of metered ÷ expected by 10° of azimuth and 5° of elevation on clear hours under 85 %, under 72 % in its midst and 93 % at its edge, where overcast hours do not show it",
    source: "Docs/methods.md, causes.",
  },
  orientation: {
    formula:
      "least squares over turn, tilt, contrast, weak light and clock: of clear hours, each day at its own level, and of the days’ levels against each other",
    source:
      "Gauss-Newton; interval by redrawing days (Efron, 1979, Bootstrap methods), widened by what sky models bend a day by and by 15 % of the turn.",
  },
  soiling: {
    formula:
      "ln(metered ÷ expected) = level + slope × t + seasonal wave + clouds + ln(1 − dirt); dirt grows by a rate, rain and cleanings take it off",
    source: "Kimber et al., 2006; Deceglie, Micheli & Muller, 2018; Huber, 1964 (outliers weighed down).",
  },
  "unrecorded-cleaning": {
    formula:
      "median residual of 6 good days after − 6 before > 2.8 deviations of a median, no rain over 1 mm about it; with the cleaning the fit’s loss falls by 18 or more",
    source: "Docs/methods.md, causes.",
  },
  "sensor-dirty": {
    formula:
      "ln(metered ÷ expected) = level − dirt + clouds + a film that grows on the sensor and is gone in a day; against the same without a film, for what it takes to say",
    source: "Schwarz, 1978, Estimating the dimension of a model; Huber, 1964 (outliers weighed down).",
  },
  "sensor-drift": {
    formula:
      "median change of clear days’ light over a cloudless sky between days a year apart; interval by redrawing months, widened by what air does",
    source: "Haurwitz, 1945 (clear sky); Jordan et al., 2018 (year on year); Wild, 2012, Enlightening global dimming and brightening.",
  },
  ageing: { formula: "lower end of the year-on-year interval > budget + 0.15 % a year", source: "Jordan et al., 2018." },
};

/** Where how sure a cause is follows from a figure. */
const SURE: Partial<Record<BookCause["kind"], string>> = {
  soiling: "fitGain ÷ (fitGain + 20), at most 95 %; the gain is the drop of the fit’s loss by dirt",
  "strings-out": "how near the measured share lies to a whole part",
};

const shown = (value: number | string | null): string =>
  typeof value === "number" ? number(value, Math.abs(value) < 10 && !Number.isInteger(value) ? 4 : 0) : (value ?? "not told");

/** How a cause was found. */
export function causeWorking(cause: BookCause, timeZone: string): Working {
  const words = causeInWords(cause, timeZone);
  return {
    title: words.title,
    value: cause.kwh === null ? percent(cause.confidenceFrac, 0) : number(cause.kwh),
    unit: cause.kwh === null ? "sure" : "kWh",
    formula: METHODS[cause.kind].formula,
    inputs: [
      { name: "when", value: whenOf(cause, timeZone), from: "readings" },
      ...(cause.kwhLow !== null && cause.kwhHigh !== null
        ? [{ name: "interval", value: `${number(cause.kwhLow)} to ${number(cause.kwhHigh)} kWh`, from: "95 of 100 cases" }]
        : []),
      { name: "sure", value: percent(cause.confidenceFrac, 0), from: SURE[cause.kind] ?? "judgement by rule" },
      ...Object.entries(cause.facts).map(([name, value]) => ({ name, value: shown(value), from: "search for causes" })),
    ],
    source: METHODS[cause.kind].source,
    assumptions: [
      "Energy at the meter: what would have come without this cause alone. The ledger's accounts walk down from nameplate and read higher.",
      words.evidence,
    ],
  };
}

/** How the plant's level against its rating came about. */
export function levelWorking({ level, years, low, high, warranty }: AgeingReport): Working {
  const share = (value: number | null): string => (value === null ? "?" : percent(value, 1));
  return {
    title: "Level against the rating",
    value: share(level?.frac ?? null),
    unit: "",
    formula: "median of index × its first level, each day carried to the record's end along the rate",
    inputs: [
      { name: "first level", value: share(level?.indexFrac ?? null), from: "what the index calls one, over the rating" },
      {
        name: "rate",
        value: low === null || high === null ? "?" : `${percent(low, 2)} to ${percent(high, 2)} a year`,
        from: `${number(years, 1)} years; a rate that rises is taken as none`,
      },
      {
        name: "interval",
        value: `${share(level?.low ?? null)} to ${share(level?.high ?? null)}`,
        from: "light, transposition, heat, dirt, inverter and meter in quadrature, 95 %, and the rate's own over half of the record",
      },
      {
        name: "guaranteed",
        value: share(level?.guaranteedFrac ?? null),
        from: warranty ? guaranteeWords(warranty) : "no warranty in the book",
      },
    ],
    source: "JCGM 100:2008, Guide to the expression of uncertainty in measurement.",
    assumptions: [
      "Rating, sensor gain and the modules' level can't be told apart on site.",
      "A maker accepts a sample measured after IEC 60904-1:2020, its uncertainty deducted.",
    ],
  };
}

const signed = (frac: number): string => `${frac > 0 ? "+" : "\u2212"}${number(Math.abs(frac) * 100, 1)} %`;

/** What a warranty lets go, in words. */
function guaranteeWords({ firstYearFrac, perYearFrac, steps, toleranceFrac }: NonNullable<AgeingReport["warranty"]>): string {
  const course =
    steps.length > 0
      ? steps.map(({ untilYears, frac }) => `${percent(frac)} until ${number(untilYears)} years`).join(", then ")
      : `${percent(firstYearFrac)} in the first year, then ${percent(perYearFrac, 2)} a year`;
  return toleranceFrac > 0 ? `${course}; of a rating with ${percent(toleranceFrac)} tolerance` : course;
}

/** What the light did by itself, as far as it could be asked. */
const lightInputs = (report: AgeingReport): Working["inputs"] => [
  ...(report.isLightStepSought
    ? []
    : [
        {
          name: "step of the light",
          value: "not sought",
          from: "asks for horizontal irradiance by the hour: a light in the plane is not set against a cloudless sky",
        },
      ]),
  ...(report.lightDrift
    ? [
        {
          name: "drift of the light",
          value: `${signed(report.lightDrift.perYearFrac)} a year, of which ${signed(report.lightDrift.takenPerYearFrac)} are taken off`,
          from: `${number(report.lightDrift.pairs)} pairs of clear days a year apart against a cloudless sky, one deviation ${number(report.lightDrift.standardFrac * 100, 2)} %; what sensors of this class make likely of it`,
        },
      ]
    : []),
  ...(report.lightStep
    ? [
        {
          name: "step of the light",
          value: `${signed(report.lightStep.frac)} on ${report.days[report.lightStep.day] ?? "?"}`,
          from: "clear days against a cloudless sky, and the plant the other way: pairs across it are left out",
        },
      ]
    : []),
];

/** How the ageing rate came about. */
export function ageingWorking(report: AgeingReport): Working {
  return {
    title: "Ageing rate",
    value: report.perYearFrac === null ? "?" : number(report.perYearFrac * 100, 2),
    unit: "% of the first output a year",
    formula: "median over all pairs of days one year apart of ln(index later ÷ index earlier); as a share of the first output",
    inputs: [
      { name: "pairs of days", value: number(report.pairs.length), from: "days that tell, a year apart within 3 days" },
      {
        name: "interval",
        value: `${number((report.low ?? 0) * 100, 2)} to ${number((report.high ?? 0) * 100, 2)} %`,
        from: "both halves in quadrature",
      },
      {
        name: "of it, scatter",
        value: report.halfScatterFrac === null ? "?" : `± ${number(report.halfScatterFrac * 100, 2)} %`,
        from: `${report.draws} bootstrap samples in blocks of 30 days, each with another fit of the dirt, seed ${report.seed}`,
      },
      {
        name: "of it, light",
        value: report.halfLightFrac === null ? "?" : `± ${number(report.halfLightFrac * 100, 2)} %`,
        from: `${LIGHT_NAMES[report.lightSource]}; ${report.calibrations === 0 ? "no calibration in the field book" : `${report.calibrations} calibrations in the field book`}`,
      },
      ...lightInputs(report),
      ...report.filters.map((filter) => ({
        name: `after ${filter.name}`,
        value: `${number(filter.days)} days, ${filter.perYearFrac === null ? "?" : number(filter.perYearFrac * 100, 2)} % a year`,
        from: "filters, one after the other",
      })),
    ],
    source:
      "Jordan, Deline, Kurtz, Kimball & Anderson, 2018, Robust PV degradation methodology and application; Künsch, 1989 (block bootstrap); ISO 9060:2018 (stability of the light sensor).",
    assumptions: [
      "The index is metered over expected without ageing; standstill, snow and strings are taken out and dirt is put back.",
      "The first four months after commissioning are left out: modules settle then, apart from the slope.",
    ],
  };
}
