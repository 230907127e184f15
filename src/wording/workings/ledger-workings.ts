import type { LedgerSources } from "@/contracts/ledger";
import { type LedgerAccount, ledgerAccountOf, MODEL_ACCOUNTS } from "@/core/accounts";
import { type LedgerLine, ledgerPostings, performanceIndex, performanceRatio } from "@/core/ledger";
import { nameplateW, type Site } from "@/core/site";
import { ASSUMED_WIND_MS } from "@/core/weather";
import { ACCOUNT_NAMES, STAGE_NAMES } from "../accounts";
import { kwhDecimals, monthName, number, percent } from "../format";
import { SOURCES, stageMethod } from "./stage-methods";
import type { Working, WorkingInput } from "./working";

/** What a ledger's workings draw on. */
export interface LedgerContext {
  readonly site: Site;
  readonly sources: LedgerSources;
  readonly promiseFrom: "import" | "site" | null;
  /** Lines carry what the readings show of each cause in place of the book's budget. */
  readonly isEvidence?: boolean;
}

/** Accounts that the evidence posts; the others are the model's in both. */
const EVIDENCED: readonly LedgerAccount[] = [
  "orientation",
  "shading",
  "snow",
  "soiling",
  "rating",
  "ageing",
  "clipping",
  "curtailment",
  "downtime",
];
const EVIDENCE_NOTE =
  "Posted by evidence: what the readings show of this cause, put into the chain in place of the book's budget. See Causes.";

const spanOf = (key: string): string => (key === "all" ? "all years" : key.length === 4 ? key : `${monthName(key)} ${key.slice(0, 4)}`);
const kwh = (value: number, line: LedgerLine): string => `${number(value, kwhDecimals(line.referenceKwh))} kWh`;
const kwp = (site: Site): string => `${number(nameplateW(site) / 1000, 2)} kWp`;

function kwhWorking(line: LedgerLine, title: string, value: number, rest: Omit<Working, "title" | "value" | "unit">): Working {
  return { title: `${title}, ${spanOf(line.key)}`, value: number(value, kwhDecimals(line.referenceKwh)), unit: "kWh", ...rest };
}

function weatherAssumptions({ sources }: LedgerContext, line: LedgerLine): string[] {
  const list = [
    `Weather comes in ${sources.weatherStepMinutes ?? 60}-minute steps; the sun is taken at the middle of each, or of its sunlit part.`,
  ];
  if (line.filledReferenceKwh > 0)
    list.push(
      `${kwh(line.filledReferenceKwh, line)} of the reference stand on irradiance filled by rule (gaps: straight line up to 3 h, else the same hour of near days).`,
    );
  if (sources.assumedColumns.includes("air_temperature_c"))
    list.push("No air temperature was measured: the usual air of the latitude, height and season is taken, within some 5 K.");
  if (sources.assumedColumns.includes("wind_speed_m_s")) list.push(`No wind was measured: ${ASSUMED_WIND_MS} m/s is taken throughout.`);
  return list;
}

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

/** An account's posting: which stages of the chain it holds, and what went in. */
export function accountWorking(line: LedgerLine, account: LedgerAccount, context: LedgerContext): Working {
  if (account === "unread") return dataGapWorking(line, context);
  if (account === "remainder") return unexplainedWorking(line, context);
  const stages = MODEL_ACCOUNTS.filter((stage) => ledgerAccountOf(stage) === account).map((stage) => ({
    stage,
    method: stageMethod(stage, context.site),
    postedKwh: line.accountsKwh[stage],
  }));
  const posted = stages.filter(({ postedKwh }, k) => postedKwh !== 0 || k === 0);
  return kwhWorking(line, ACCOUNT_NAMES[account].name, ledgerPostings(line)[account], {
    formula: posted.map(({ method }) => method.formula).join(";  "),
    inputs: posted.flatMap(({ stage, method, postedKwh }): WorkingInput[] => [
      ...method.terms,
      { name: `Posted: ${STAGE_NAMES[stage]}`, value: kwh(postedKwh, line), from: "energy before the stage − after it" },
    ]),
    source: [...new Set(posted.map(({ method }) => method.source))].join(" "),
    assumptions: [
      ...(context.isEvidence && EVIDENCED.includes(account) ? [EVIDENCE_NOTE] : []),
      "A loss as the ledger walks down from nameplate: energy at nameplate efficiency before the stage minus after it. What would be gained at the meter without it is another, smaller figure.",
      ...(account === "clipping" && context.isEvidence
        ? ["Where the meter reads finer than hours, what the ceiling cut is told by the readings that lay on it."]
        : []),
      ...(account === "clipping" &&
      context.site.models.subHourlyClipping === "corrected" &&
      (context.sources.weatherStepMinutes ?? 60) >= 30
        ? ["Hourly means hide short peaks: the power is taken to swing about its mean as light does inside an hour."]
        : []),
    ],
  });
}

export function expectedWorking(line: LedgerLine, context: LedgerContext): Working {
  return kwhWorking(line, context.isEvidence ? "Explained" : "Expected", line.expectedKwh, {
    formula: "reference − all accounts",
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
      ...(context.isEvidence ? [`${EVIDENCE_NOTE} What the meter lacks of it is the remainder.`] : []),
      "At the AC meter, with the weather that really came.",
      ...weatherAssumptions(context, line),
    ],
  });
}

export function meteredWorking(line: LedgerLine, { sources }: LedgerContext): Working {
  const { caughtUpRows, impossibleRows } = sources;
  return kwhWorking(line, "Metered", line.meteredKwh ?? 0, {
    formula: "Σ readings of all AC meters in the span",
    inputs: [
      { name: "Meters", value: sources.meterIds.join(", ") || "none", from: "readings chapter" },
      { name: "Read", value: percent(line.readFrac), from: "share of the expected energy whose time was read" },
      { name: "Without weather beside it", value: kwh(line.unmatchedKwh, line), from: "metered, but left out of the difference" },
    ],
    source: "Imported production files.",
    assumptions: [
      ...(caughtUpRows > 0
        ? [`${caughtUpRows} rows of the record hold the energy of a gap before them; each is spread over its gap.`]
        : []),
      ...(impossibleRows > 0 ? [`${impossibleRows} rows of the record hold more than the plant can make and are taken as unread.`] : []),
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
  return kwhWorking(line, "Unread", line.dataGapKwh, {
    formula: "Σ expected × (1 − share of the interval that was read)",
    inputs: [
      { name: "Expected", value: kwh(line.expectedKwh, line), from: "the chain" },
      { name: "Read", value: percent(line.readFrac), from: "readings there are" },
    ],
    source: "Expected energy of time with no or bad readings.",
    assumptions: ["Not a loss: it is set apart, and the remainder is taken without it."],
  });
}

export function unexplainedWorking(line: LedgerLine, _context: LedgerContext): Working {
  const remainder = line.unexplainedKwh ?? 0;
  return kwhWorking(line, remainder >= 0 ? "Remainder, missing" : "Remainder, over", Math.abs(remainder), {
    formula: "expected − unread − (metered − metered without weather)",
    inputs: [
      { name: "Expected", value: kwh(line.expectedKwh, line), from: "the chain" },
      { name: "Unread", value: kwh(line.dataGapKwh, line), from: "time without readings" },
      { name: "Metered", value: kwh(line.meteredKwh ?? 0, line), from: "readings" },
      { name: "Metered without weather", value: kwh(line.unmatchedKwh, line), from: "readings with no weather beside them" },
    ],
    source: "What no account explains.",
    assumptions: ["Irradiance sensor, module rating and meter leave about 2 % of the expected energy that no one can tell."],
  });
}

export function differenceWorking(line: LedgerLine, _context: LedgerContext): Working {
  const difference = (line.meteredKwh ?? 0) - line.unmatchedKwh - line.expectedKwh;
  return kwhWorking(line, "Difference", difference, {
    formula: "metered − expected  =  −(unread + remainder)",
    inputs: [
      { name: "Metered, with weather beside it", value: kwh((line.meteredKwh ?? 0) - line.unmatchedKwh, line), from: "readings" },
      { name: "Expected", value: kwh(line.expectedKwh, line), from: "the chain" },
      { name: "Of it unread", value: kwh(line.dataGapKwh, line), from: "time without readings" },
      { name: "Of it remainder", value: kwh(line.unexplainedKwh ?? 0, line), from: "what no account explains" },
    ],
    source: "The ledger's own balance.",
    assumptions: ["Short is negative, over is positive."],
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
      { name: "Expected of the time read", value: kwh(line.expectedKwh - line.dataGapKwh, line), from: "the chain" },
      { name: "Performance ratio", value: percent(performanceRatio(line) ?? 0), from: "metered ÷ reference of the time read" },
    ],
    source: "IEC 61724-1:2021 and IEC TS 61724-3:2016, energy performance index.",
    assumptions: ["A ratio of sums, never a mean of ratios."],
  };
}
