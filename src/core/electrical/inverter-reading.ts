/** One DC input as the display shows it. */
export interface InputReading {
  readonly dcV: number;
  readonly dcA: number;
  /** Strings on this input. */
  readonly strings: number;
}

/** What an inverter's display shows at one moment; what it does not show is null. */
export interface InverterReading {
  readonly inputs: readonly InputReading[];
  readonly acV: number | null;
  readonly acA: number | null;
  readonly acW: number | null;
  /** 1 or 3; three-phase volts are between a phase and neutral. */
  readonly phases: 1 | 3;
  readonly dayKwh: number | null;
  readonly lifetimeKwh: number | null;
}

export interface InverterTerms {
  /** Null where no inverter stands in the book: then nothing is said of a rating. */
  readonly acRatedW: number | null;
  /** Of the modules behind it. */
  readonly nameplateW: number;
  readonly ratedEfficiencyFrac: number;
  readonly maxDcV: number | null;
  /** Expected at the inverter's output now, W; null where light and weather tell nothing. */
  readonly expectedW: number | null;
  /** The expectation may be off by this share: a cloudless sky by half, a measured light by a tenth. */
  readonly expectedOffFrac: number;
}

export const INVERTER_FINDINGS = [
  "consistent",
  "efficiency-low",
  "efficiency-impossible",
  "ac-figures-disagree",
  "inputs-unbalanced",
  "input-dead",
  "no-output-in-light",
  "below-expected",
  "above-expected",
  "at-rating",
  "above-rating",
  "voltage-beyond-limit",
  "day-beyond-lifetime",
  "kilowatts-as-watts",
] as const;
export type InverterFinding = (typeof INVERTER_FINDINGS)[number];

/** Findings that ask for nobody: all is well, or better than it should be. */
const FINE: readonly InverterFinding[] = ["consistent", "at-rating", "above-expected"];
export const isFine = (finding: InverterFinding): boolean => FINE.includes(finding);

export interface InverterReport {
  readonly dcW: number;
  readonly acW: number | null;
  readonly apparentVa: number | null;
  readonly efficiencyFrac: number | null;
  readonly powerFactor: number | null;
  /** Power of each input a string, W, and its share of the mean. */
  readonly inputs: readonly { readonly dcW: number; readonly perStringW: number; readonly ofMeanFrac: number }[];
  readonly ofExpectedFrac: number | null;
  readonly findings: readonly InverterFinding[];
}

/** Displays round and lag: two of their figures may differ by this share and still be one. */
const DISPLAY_OFF = 0.04;
/** Inputs of like strings may differ by this share of their mean. Source: IEC 62446-1:2016, string currents under steady light. */
export const BALANCE_OFF = 0.1;
const DEAD_FRAC = 0.05;
const LEAST_EFFICIENCY = 0.85;
/** Under this share of the rating efficiency says little. */
const DIM_FRAC = 0.05;

/** Whether an inverter's own figures fit each other, the book and the light. Source: IEC 61683:1999, efficiency; IEC 62446-1:2016. */
export function checkInverter(reading: InverterReading, terms: InverterTerms): InverterReport {
  const inputs = reading.inputs.map(({ dcV, dcA, strings }) => ({ dcW: dcV * dcA, perStringW: (dcV * dcA) / Math.max(1, strings) }));
  const dcW = inputs.reduce((sum, input) => sum + input.dcW, 0);
  const meanW = inputs.length > 0 ? inputs.reduce((sum, input) => sum + input.perStringW, 0) / inputs.length : 0;
  const apparentVa = reading.acV !== null && reading.acA !== null ? reading.acV * reading.acA * reading.phases : null;
  const acW = reading.acW ?? apparentVa;
  const efficiencyFrac = acW !== null && dcW > 0 ? acW / dcW : null;
  const report = {
    dcW,
    acW,
    apparentVa,
    efficiencyFrac,
    powerFactor: reading.acW !== null && apparentVa !== null && apparentVa > 0 ? reading.acW / apparentVa : null,
    inputs: inputs.map((input) => ({ ...input, ofMeanFrac: meanW > 0 ? input.perStringW / meanW : 1 })),
    ofExpectedFrac: acW !== null && terms.expectedW !== null && terms.expectedW > 0 ? acW / terms.expectedW : null,
  };
  return { ...report, findings: findingsOf(reading, terms, report) };
}

function findingsOf(reading: InverterReading, terms: InverterTerms, report: Omit<InverterReport, "findings">): InverterFinding[] {
  const { dcW, acW, efficiencyFrac, powerFactor, inputs, ofExpectedFrac } = report;
  const { acRatedW, expectedW, expectedOffFrac } = terms;
  const dimW = DIM_FRAC * (acRatedW ?? terms.nameplateW);
  const out: InverterFinding[] = [];
  const bright = Math.max(dcW, acW ?? 0) > dimW;
  if (efficiencyFrac !== null && efficiencyFrac > 1 + DISPLAY_OFF) out.push("efficiency-impossible");
  else if (efficiencyFrac !== null && bright && efficiencyFrac < LEAST_EFFICIENCY) out.push("efficiency-low");
  if (efficiencyFrac !== null && (efficiencyFrac > 200 || efficiencyFrac < 0.005)) out.push("kilowatts-as-watts");
  if (powerFactor !== null && bright && (powerFactor > 1 + DISPLAY_OFF || powerFactor < 0.8)) out.push("ac-figures-disagree");
  if (inputs.length > 1 && bright) {
    if (inputs.some(({ ofMeanFrac }) => ofMeanFrac < DEAD_FRAC)) out.push("input-dead");
    else if (inputs.some(({ ofMeanFrac }) => Math.abs(ofMeanFrac - 1) > BALANCE_OFF)) out.push("inputs-unbalanced");
  }
  if (terms.maxDcV !== null && reading.inputs.some(({ dcV }) => dcV > terms.maxDcV!)) out.push("voltage-beyond-limit");
  if (acW !== null && expectedW !== null && expectedW > dimW && acW < 0.01 * expectedW) out.push("no-output-in-light");
  else if (ofExpectedFrac !== null && bright && ofExpectedFrac < 1 - expectedOffFrac) out.push("below-expected");
  else if (ofExpectedFrac !== null && bright && ofExpectedFrac > 1 + expectedOffFrac) out.push("above-expected");
  if (acW !== null && acRatedW !== null && acW > acRatedW * (1 + DISPLAY_OFF)) out.push("above-rating");
  else if (acW !== null && acRatedW !== null && acW > acRatedW * (1 - DISPLAY_OFF / 2)) out.push("at-rating");
  if (reading.dayKwh !== null && reading.lifetimeKwh !== null && reading.dayKwh > reading.lifetimeKwh) out.push("day-beyond-lifetime");
  return out.length > 0 ? out : ["consistent"];
}
