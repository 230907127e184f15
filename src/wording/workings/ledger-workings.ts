import { MODEL_ACCOUNTS } from "@/core/accounts";
import { expectedReadKwh, foundSumKwh, type LedgerLine, performanceIndex, performanceRatio } from "@/core/ledger";
import { STAGE_NAMES } from "../accounts";
import { number, percent } from "../format";
import { kwh, kwhWorking, kwp, type LedgerContext, spanOf, weatherAssumptions } from "./line-working";
import { SOURCES, stageMethod } from "./stage-methods";
import type { Working } from "./working";

export type { LedgerContext } from "./line-working";

export function planeWorking(line: LedgerLine, context: LedgerContext): Working {
  const { place, albedo, arrays } = context.site;
  return {
    title: `In-plane irradiation, ${spanOf(line.key)}`,
    value: number(line.planeKwhM2, 1),
    unit: "kWh/m²",
    formula: "Σ (beam + sky + ground) × step, weighed by nameplate over the arrays",
    inputs: [
      { name: "Latitude, longitude", value: `${number(place.latitudeDeg, 2)}°, ${number(place.longitudeDeg, 2)}°`, from: "site chapter" },
      ...arrays.map((array) => ({
        name: array.name || array.id,
        value: `tilt ${number(array.tiltDeg)}°, azimuth ${number(array.azimuthDeg)}°`,
        from: "site chapter",
      })),
      { name: "Albedo", value: number(albedo, 2), from: "site chapter" },
      { name: "Measured columns", value: context.sources.weatherColumns.join(", "), from: "readings chapter" },
    ],
    source: `${SOURCES.decomposition[context.site.models.decomposition]} (beam and diffuse); ${SOURCES.transposition[context.site.models.transposition]} (tilted plane); Liu & Jordan, 1963 (ground); Spencer, 1971 (extraterrestrial).`,
    assumptions: [...weatherAssumptions(context, line), "Before shade: what horizon and obstacles take stands on the account Shading."],
  };
}

export function referenceWorking(line: LedgerLine, context: LedgerContext): Working {
  return kwhWorking(line, "Reference", line.referenceKwh, {
    formula: "nameplate × in-plane irradiation ÷ 1000 W/m²",
    inputs: [
      { name: "Nameplate", value: kwp(context.site), from: "site chapter: modules × count" },
      { name: "In-plane irradiation", value: `${number(line.planeKwhM2, 1)} kWh/m²`, from: "weather and site" },
    ],
    source: "IEC 61724-1:2021, reference yield times rated power.",
    assumptions: weatherAssumptions(context, line),
  });
}

export function expectedWorking(line: LedgerLine, context: LedgerContext): Working {
  return kwhWorking(line, "Expected", line.expectedKwh, {
    formula: "reference − design losses",
    inputs: [
      { name: "Reference", value: kwh(line.referenceKwh, line), from: "nameplate × in-plane irradiation" },
      ...MODEL_ACCOUNTS.filter((account) => line.accountsKwh[account] !== 0).map((account) => ({
        name: `− ${STAGE_NAMES[account]}`,
        value: kwh(line.accountsKwh[account], line),
        from: stageMethod(account, context.site).source,
      })),
    ],
    source: "The chain from sun to meter, docs/methods.md.",
    assumptions: [
      "What this plant gives when it is sound and kept as planned, at the AC meter, with the weather that really came. What is found never moves it.",
      ...weatherAssumptions(context, line),
    ],
  });
}

/** Expected energy of the time that was read: what the meter is held against. */
export const expectedReadWorking = (line: LedgerLine, _context: LedgerContext): Working =>
  kwhWorking(line, "Expected of the time read", expectedReadKwh(line), {
    formula: "expected − data gaps",
    inputs: [
      { name: "Expected", value: kwh(line.expectedKwh, line), from: "the chain" },
      { name: "Data gaps", value: kwh(line.dataGapKwh, line), from: "expected energy of time without readings" },
    ],
    source: "IEC TS 61724-3:2016, energy performance index.",
    assumptions: ["Time without readings says nothing of the plant, and is left out on both sides."],
  });

export const meteredReadWorking = (line: LedgerLine, _context: LedgerContext): Working =>
  kwhWorking(line, "Metered, with weather beside it", (line.meteredKwh ?? 0) - line.unmatchedKwh, {
    formula: "metered − metered without weather",
    inputs: [
      { name: "Metered", value: kwh(line.meteredKwh ?? 0, line), from: "readings" },
      { name: "Metered without weather", value: kwh(line.unmatchedKwh, line), from: "readings with no weather beside them" },
    ],
    source: "Imported production files.",
    assumptions: ["What came while no light was measured can't be compared, and is left out on both sides."],
  });

export const unmatchedWorking = (line: LedgerLine, _context: LedgerContext): Working =>
  kwhWorking(line, "Metered without weather", line.unmatchedKwh, {
    formula: "Σ readings of time with no light measured",
    inputs: [{ name: "Metered", value: kwh(line.meteredKwh ?? 0, line), from: "readings" }],
    source: "Imported production files.",
    assumptions: ["Nothing is expected of this time, so it stands beside the account and closes it to the meter."],
  });

export function meteredWorking(line: LedgerLine, { sources }: LedgerContext): Working {
  const { caughtUpRows, impossibleRows } = sources;
  return kwhWorking(line, "Metered", line.meteredKwh ?? 0, {
    formula: "Σ readings of all AC meters in the span",
    inputs: [
      { name: "Meters", value: sources.meterIds.join(", ") || "none", from: "readings chapter" },
      { name: "Data availability", value: percent(line.readFrac), from: "share of the expected energy whose time was read" },
      { name: "Without weather beside it", value: kwh(line.unmatchedKwh, line), from: "metered, but left out of the difference" },
    ],
    source: "Imported production files.",
    assumptions: [
      ...(caughtUpRows > 0
        ? [`${caughtUpRows} rows of the record hold the energy of a gap before them; each is spread over its gap.`]
        : []),
      ...(impossibleRows > 0 ? [`${impossibleRows} rows of the record hold more than the plant can make and are taken as gaps.`] : []),
      ...(line.splitKwh > 0
        ? [`${kwh(line.splitKwh, line)} of it are shares of longer spans (days, months or hand readings), split by the expected shape.`]
        : []),
      "Readings are placed by the zone and label chosen at import.",
    ],
  });
}

export function promiseWorking(line: LedgerLine, { promiseFrom }: LedgerContext): Working {
  return kwhWorking(line, "Promise", line.promiseKwh ?? 0, {
    formula: "the design statement's energy for these months",
    inputs: [
      {
        name: "Statement",
        value: kwh(line.promiseKwh ?? 0, line),
        from: promiseFrom === "import" ? "imported promise file" : "site chapter: promise",
      },
    ],
    source: "What was said before the plant was built.",
    assumptions: ["The same twelve months stand for every year; nobody's weather came true in it."],
  });
}

export function dataGapWorking(line: LedgerLine, _context: LedgerContext): Working {
  return kwhWorking(line, "Data gap", line.dataGapKwh, {
    formula: "Σ expected × (1 − share of the interval that was read)",
    inputs: [
      { name: "Expected", value: kwh(line.expectedKwh, line), from: "the chain" },
      { name: "Data availability", value: percent(line.readFrac), from: "share of the expected energy whose time was read" },
    ],
    source: "Expected energy of time with no or bad readings.",
    assumptions: ["Not a loss: it is set apart, and losses and the unexplained are taken without it."],
  });
}

export function unexplainedWorking(line: LedgerLine, _context: LedgerContext): Working {
  const left = line.unexplainedKwh ?? 0;
  return kwhWorking(line, left >= 0 ? "Unexplained, short" : "Unexplained, over", Math.abs(left), {
    formula: "expected − losses found − data gap − (metered − metered without weather)",
    inputs: [
      { name: "Expected", value: kwh(line.expectedKwh, line), from: "the chain" },
      {
        name: "Losses found",
        value: line.isSought ? kwh(foundSumKwh(line), line) : "not sought yet",
        from: "evidence minus plan, account by account",
      },
      { name: "Data gap", value: kwh(line.dataGapKwh, line), from: "time without readings" },
      { name: "Metered", value: kwh(line.meteredKwh ?? 0, line), from: "readings" },
      { name: "Metered without weather", value: kwh(line.unmatchedKwh, line), from: "readings with no weather beside them" },
    ],
    source: "The account's own balance.",
    assumptions: ["Whether instruments and model alone can leave as much is told by the interval of the Yield chapter, for this span."],
  });
}

export function performanceIndexWorking(line: LedgerLine, _context: LedgerContext): Working {
  return {
    title: `Performance index, ${spanOf(line.key)}`,
    value: percent(performanceIndex(line) ?? 0),
    unit: "",
    formula: "Σ metered ÷ Σ expected, over the time that was read",
    inputs: [
      { name: "Metered", value: kwh((line.meteredKwh ?? 0) - line.unmatchedKwh, line), from: "readings" },
      { name: "Expected of the time read", value: kwh(expectedReadKwh(line), line), from: "the chain" },
      { name: "Performance ratio", value: percent(performanceRatio(line) ?? 0), from: "metered ÷ reference of the time read" },
    ],
    source: "IEC 61724-1:2021 and IEC TS 61724-3:2016, energy performance index.",
    assumptions: ["A ratio of sums, never a mean of ratios."],
  };
}
