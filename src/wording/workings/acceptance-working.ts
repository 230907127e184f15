import type { CapacityFilter } from "@/core/capacity";
import type { GuaranteeKind, GuaranteeYear } from "@/core/guarantee";
import { filterNames, guaranteeNames, yearOutcomes } from "../acceptance";
import { measure, money, number, percent } from "../format";
import type { Working } from "./working";

interface Fit {
  readonly coefficients: readonly number[];
  readonly errors: readonly number[];
  readonly capacityKw: number;
  readonly residualKw: number;
}

interface CapacityFigures {
  readonly averageMinutes: number;
  readonly intervals: number;
  readonly days: number;
  readonly conditions: { readonly poaWm2: number; readonly airTempC: number; readonly windSpeedMs: number } | null;
  readonly hasWind: boolean;
  readonly hasPlaneSensor: boolean;
  readonly lightErrorFrac: number;
  readonly ratedKw: number | null;
  readonly metered: Fit | null;
  readonly expected: Fit | null;
  readonly targetKw: number | null;
  readonly ratio: number | null;
  readonly scatterFrac: number | null;
  readonly lightFrac: number | null;
  readonly halfFrac: number | null;
}

const SOURCE =
  "ASTM E2848, Standard test method for reporting photovoltaic non-concentrator system performance; ASTM E2939, Standard practice for determining reporting conditions and expected capacity.";

const conditionsOf = ({ conditions }: CapacityFigures): string =>
  conditions
    ? `${number(conditions.poaWm2)} W/m², ${measure(conditions.airTempC, "°C", 1)}, ${measure(conditions.windSpeedMs, "m/s", 1)}`
    : "–";

const scientific = (value: number): string => value.toExponential(4);

/** How a capacity was read off a regression. */
export const capacityWorking = (report: CapacityFigures, side: "metered" | "expected"): Working => {
  const fit = report[side];
  return {
    title: `Capacity, ${side}`,
    value: fit ? number(fit.capacityKw, 2) : "–",
    unit: "kW at the reporting conditions",
    formula: "P = E × (a1 + a2 × E + a3 × T + a4 × v), by least squares over the kept intervals",
    inputs: [
      {
        name: "reporting conditions",
        value: conditionsOf(report),
        from: "agreed, or the light that six of ten kept intervals lie under, with the means of air and wind near it",
      },
      {
        name: "intervals",
        value: `${report.intervals} of ${report.days} days`,
        from: `means of ${report.averageMinutes} minutes, after the filters`,
      },
      ...(fit?.coefficients ?? []).map((value, k) => ({
        name: `a${k + 1}`,
        value: `${scientific(value)} ± ${scientific(fit!.errors[k]!)}`,
        from: "coefficient and its standard error, days being what is independent",
      })),
      { name: "scatter", value: fit ? `${number(fit.residualKw, 2)} kW` : "–", from: "root of the mean square about the fit" },
    ],
    source: `${SOURCE} Golub, 1965, Numerical methods for solving linear least squares problems.`,
    assumptions: [
      side === "metered"
        ? "Power of the meter, as the health check left its readings."
        : "Power of the sound plant of the book in the same light, with its planned losses and its age.",
      ...(report.hasWind ? [] : ["Nobody measured wind: its term is left out."]),
      ...(report.hasPlaneSensor ? [] : ["In-plane light is computed from the horizontal."]),
    ],
  };
};

/** How metered capacity stands to its target. */
export const capacityRatioWorking = (report: CapacityFigures, isModel: boolean): Working => ({
  title: "Capacity over its target",
  value: report.ratio === null ? "–" : `${percent(report.ratio)} ± ${percent(report.halfFrac ?? 0)}`,
  unit: "with its 95 % interval",
  formula: "ratio = metered capacity ÷ target; interval = √(scatter² + light²)",
  inputs: [
    { name: "metered capacity", value: `${number(report.metered?.capacityKw ?? 0, 2)} kW`, from: "regression of the meter" },
    {
      name: "target",
      value: `${number(report.targetKw ?? 0, 2)} kW`,
      from: isModel ? "regression of the book's expected power, same intervals" : "as agreed",
    },
    {
      name: "by scatter",
      value: `± ${percent(report.scatterFrac ?? 0, 2)}`,
      from: "what is left of both fits, a day being one: Student's t of the days times the standard error at the reporting conditions",
    },
    {
      name: "by the light's gain",
      value: `± ${percent(report.lightFrac ?? 0, 2)}`,
      from: `1.96 times ${percent(report.lightErrorFrac)}, by the class of its source`,
    },
  ],
  source: `${SOURCE} Liang & Zeger, 1986, Longitudinal data analysis using generalized linear models; Student, 1908; JCGM 100:2008, Evaluation of measurement data: guide to the expression of uncertainty in measurement.`,
  assumptions: [
    "Passed where the whole interval lies at the line or over it, failed where it lies under it; else these readings tell neither.",
    "The expected power is the measure and has no error of its own here.",
  ],
});

interface FilterFigures {
  readonly filter: CapacityFilter;
  readonly takenOut: number;
  readonly alone: number;
  readonly left: number;
}

export const filterWorking = ({ filter, takenOut, alone, left }: FilterFigures): Working => ({
  title: `Left out: ${filterNames[filter]}`,
  value: number(takenOut),
  unit: "intervals",
  formula: "those that the filters before have left, less what is left after",
  inputs: [
    { name: "alone", value: number(alone), from: "of all lit intervals of the period" },
    { name: "left after it", value: number(left), from: "count" },
  ],
  source: SOURCE,
  assumptions: ["Filters are asked in the order of the table; what an earlier one takes a later one does not count."],
});

interface MeasuredFigures {
  readonly index: number | null;
  readonly half: number;
  readonly overKwh: number;
  readonly meteredKwh: number;
}

interface YearFigures {
  readonly from: string;
  readonly to: string;
  readonly guaranteed: number;
  readonly allIn: MeasuredFigures;
  readonly without: MeasuredFigures;
  readonly missingFrac: number;
  readonly outcome: GuaranteeYear["outcome"];
  readonly shortFrac: number;
  readonly shortKwh: number;
  readonly damages: string | null;
}

interface GuaranteeFacts {
  readonly of: GuaranteeKind;
  readonly lightErrorFrac: number;
  readonly deadBandFrac: number;
}

const OVER: Readonly<Record<GuaranteeKind, string>> = {
  "performance-ratio": "in-plane light times nameplate",
  "corrected-ratio": "in-plane light times nameplate, less what heat takes against cells at 25 °C, month by month",
  "energy-index": "expected energy of the book's sound plant in the same light",
  availability: "lit time",
};

const FORMULA: Readonly<Record<GuaranteeKind, string>> = {
  "performance-ratio": "PR = metered ÷ reference, sum over sum",
  "corrected-ratio": "PR at 25 °C = metered ÷ (reference × (1 − heat)), sum over sum",
  "energy-index": "index = metered ÷ expected, sum over sum",
  availability: "availability = lit time in which the plant ran ÷ lit time",
};

/** How a guaranteed figure of a contract year was measured. */
export const guaranteeWorking = (
  year: YearFigures,
  { of, lightErrorFrac, deadBandFrac }: GuaranteeFacts,
  side: "allIn" | "without",
): Working => {
  const { index, half, overKwh, meteredKwh } = year[side];
  return {
    title: `${guaranteeNames[of]}, ${year.from} to ${year.to}`,
    value: index === null ? "–" : `${percent(index, 2)}${half > 0 ? ` ± ${percent(half, 2)}` : ""}`,
    unit: side === "allIn" ? "everything in" : "without what the contract leaves out",
    formula: FORMULA[of],
    inputs: [
      { name: "metered", value: `${number(meteredKwh)} kWh`, from: "time that was read and whose light was measured" },
      { name: "over", value: of === "availability" ? "–" : `${number(overKwh)} kWh`, from: OVER[of] },
      { name: "guaranteed", value: percent(year.guaranteed, 2), from: "the contract, less its fall a year" },
      { name: "dead band", value: `${number(deadBandFrac * 100, 2)} points`, from: "the contract" },
      {
        name: "missing",
        value: percent(year.missingFrac),
        from: "expected energy of time without readings or light, of the time that counts",
      },
      ...(half > 0
        ? [{ name: "light", value: `± ${percent(lightErrorFrac)}`, from: "one deviation of its gain, by the class of its source" }]
        : []),
      {
        name: "short",
        value: `${number(year.shortKwh)} kWh`,
        from: `points under the edge of the dead band times ${of === "availability" ? "expected energy" : "what the index is taken of"}`,
      },
    ],
    source:
      "IEC 61724-1:2021, Photovoltaic system performance, part 1: monitoring; IEC TS 61724-3:2016, part 3: energy evaluation method; IEC TS 63019:2019, Photovoltaic power systems: information model for availability.",
    assumptions: [
      `Outcome: ${yearOutcomes[year.outcome]}. Kept where the whole interval lies at the edge of the dead band or over it, missed where it lies under it.`,
      "Time that was not read is in neither figure.",
      ...(of === "availability"
        ? [
            "The plant stands still where it gives under a twentieth of what its light calls for; a part that stands still is not seen at the meter of the whole.",
          ]
        : []),
    ],
  };
};

/** What is short in the years that are missed, together. */
export const guaranteeSumWorking = (
  missed: readonly Pick<YearFigures, "from" | "to" | "shortKwh" | "damages">[],
  currency: string,
): Working => ({
  title: "Short of the guarantee",
  value: number(missed.reduce((sum, { shortKwh }) => sum + shortKwh, 0)),
  unit: "kWh",
  formula: "sum of the years that are missed",
  inputs: missed.map(({ from, to, shortKwh, damages }) => ({
    name: `${from} to ${to}`,
    value: `${number(shortKwh)} kWh${damages === null ? "" : `, ${money(damages)} ${currency}`}`,
    from: "its own working, in the table",
  })),
  source: "Sum.",
  assumptions: ["A year that these readings do not tell, or that was read too little, is in no sum."],
});
