import {
  AVOIDABLE_ACCOUNTS,
  type DesignAccount,
  designAccountOf,
  FOUND_ACCOUNTS,
  type FoundAccount,
  type LedgerAccount,
  MODEL_ACCOUNTS,
} from "@/core/accounts";
import { avoidableKwh, designLosses, foundSumKwh, type LedgerLine } from "@/core/ledger";
import { ACCOUNT_NAMES, STAGE_NAMES } from "../accounts";
import { number, percent } from "../format";
import { dataGapWorking, expectedWorking, unexplainedWorking } from "./ledger-workings";
import { kwh, kwhWorking, type LedgerContext, spanOf } from "./line-working";
import { stageMethod } from "./stage-methods";
import type { Working, WorkingInput } from "./working";

/** A design loss as a share of the reference. */
export const designShareWorking = (line: LedgerLine, account: DesignAccount, context: LedgerContext): Working =>
  shareOfReferenceWorking(
    line,
    `${ACCOUNT_NAMES[account].name}, as planned`,
    designLosses(line)[account],
    designWorking(line, account, context),
  );

/** What is expected as a share of the reference. */
export const expectedShareWorking = (line: LedgerLine, context: LedgerContext): Working =>
  shareOfReferenceWorking(line, "Expected", line.expectedKwh, expectedWorking(line, context));

const shareOfReferenceWorking = (line: LedgerLine, name: string, partKwh: number, { source, assumptions }: Working): Working => ({
  title: `${name}, of the reference, ${spanOf(line.key)}`,
  value: percent(partKwh / Math.max(1e-9, line.referenceKwh)),
  unit: "",
  formula: "energy ÷ reference energy",
  inputs: [
    { name, value: kwh(partKwh, line), from: "the account" },
    { name: "Reference", value: kwh(line.referenceKwh, line), from: "the account" },
  ],
  source,
  assumptions,
});

/** A design loss: which stages of the chain it holds, and what went in. */
export function designWorking(line: LedgerLine, account: DesignAccount, context: LedgerContext): Working {
  const stages = MODEL_ACCOUNTS.filter((stage) => designAccountOf(stage) === account).map((stage) => ({
    stage,
    method: stageMethod(stage, context.site),
    postedKwh: line.accountsKwh[stage],
  }));
  const posted = stages.filter(({ postedKwh }, k) => postedKwh !== 0 || k === 0);
  return kwhWorking(line, `${ACCOUNT_NAMES[account].name}, as planned`, designLosses(line)[account], {
    formula: posted.map(({ method }) => method.formula).join(";  "),
    inputs: posted.flatMap(({ stage, method, postedKwh }): WorkingInput[] => [
      ...method.terms,
      { name: `Stage: ${STAGE_NAMES[stage]}`, value: kwh(postedKwh, line), from: "energy before the stage − after it" },
    ]),
    source: [...new Set(posted.map(({ method }) => method.source))].join(" "),
    assumptions: [
      "What a sound plant loses here by the site document, in the weather that came. What the readings show beside it stands among the losses found.",
      "At its stage, on the walk down from nameplate: gained if removed, at the meter, is another, smaller figure.",
      ...(account === "clipping" &&
      context.site.models.subHourlyClipping === "corrected" &&
      (context.sources.weatherStepMinutes ?? 60) >= 30
        ? ["Hourly means hide short peaks: the power is taken to swing about its mean as light does inside an hour."]
        : []),
    ],
  });
}

/** What a loss found is measured by, account by account; where nothing says it, an analyst moved it there. */
const FOUND_FORMULAS: Partial<Record<LedgerAccount, string>> = {
  orientation: "expected in the book's plane − in the plane that clear days show",
  shading: "expected with the book's shade − with the shade that comes back at the same places of the sky",
  snow: "expected with the book's snow − with the snow that the readings show",
  soiling: "expected with the budgeted soiling − with the dirt that the readings show, day by day",
  rating: "expected at nameplate − at the level that the readings show by load",
  ageing: "expected with the budgeted ageing − with the rate that was read",
  strings: "expected with all strings − with those that were out",
  clipping: "expected under the book's ratings − under the ceiling that the readings lie on",
  curtailment: "expected − under the limit that the readings lie on",
  downtime: "expected − with the hours in which the plant stood still",
};

/** A loss found: evidence minus plan, at the meter. Gaps and the unexplained have workings of their own. */
export function foundWorking(line: LedgerLine, account: LedgerAccount, context: LedgerContext): Working {
  if (account === "dataGap") return dataGapWorking(line, context);
  if (account === "unexplained") return unexplainedWorking(line, context);
  return kwhWorking(line, `${ACCOUNT_NAMES[account].name}, found`, line.foundKwh[account], {
    formula: FOUND_FORMULAS[account] ?? "what was moved here by hand",
    inputs: [
      {
        name: "Found beside the plan",
        value: kwh(line.foundKwh[account], line),
        from: "two runs of the chain, before this cause is put in and after it",
      },
      ...(account in designLosses(line)
        ? [
            {
              name: "Planned here",
              value: kwh(designLosses(line)[account as DesignAccount], line),
              from: "the site document's design loss, at its stage",
            },
          ]
        : []),
    ],
    source: "docs/methods.md, the account; see Causes for the evidence.",
    assumptions: [
      "At the meter, of the time that was read; positive is lost beside the plan, negative is less lost than planned.",
      "Causes are put in one after another in the order of the account; what a later stage gives back, as less clipping under dirt, is in the figure of the cause that brought it.",
      "A finding's own figure is gained if removed: this cause taken out alone.",
    ],
  });
}

export const foundSumWorking = (line: LedgerLine, _context: LedgerContext): Working =>
  kwhWorking(line, "Losses found", foundSumKwh(line), {
    formula: "Σ losses found beside the plan",
    inputs: FOUND_ACCOUNTS.filter((account) => line.foundKwh[account] !== 0).map((account) => ({
      name: ACCOUNT_NAMES[account].name,
      value: kwh(line.foundKwh[account], line),
      from: FOUND_FORMULAS[account] ?? "moved here by hand",
    })),
    source: "docs/methods.md, the account.",
    assumptions: ["Positive is lost beside the plan, negative is less lost than planned; of the time that was read."],
  });

/** What somebody can do something about. */
export const avoidableWorking = (line: LedgerLine, _context: LedgerContext): Working =>
  kwhWorking(line, "To regain", avoidableKwh(line), {
    formula: "Σ losses found that somebody can do something about",
    inputs: AVOIDABLE_ACCOUNTS.filter((account) => line.foundKwh[account] > 0).map((account) => ({
      name: ACCOUNT_NAMES[account].name,
      value: kwh(line.foundKwh[account], line),
      from: FOUND_FORMULAS[account] ?? "moved here by hand",
    })),
    source: "docs/methods.md, the account.",
    assumptions: ["All of each: snow and shade can be cleared and cut in part; see Dirt and snow, and the Site chapter."],
  });

/** What a loss found is worth today. */
export const foundWorthWorking = (line: LedgerLine, account: FoundAccount, pricePerKwh: number, context: LedgerContext): Working =>
  worthWorking(line, ACCOUNT_NAMES[account].name, line.foundKwh[account], { pricePerKwh, context });

/** What all that somebody can do something about is worth today. */
export const avoidableWorthWorking = (line: LedgerLine, pricePerKwh: number, context: LedgerContext): Working =>
  worthWorking(line, "To regain", avoidableKwh(line), { pricePerKwh, context });

/** What stands for a self-consumed share that nobody told. */
const SELF_USE_ASSUMED = {
  all: "Nothing is told of exports: all is counted as self-consumed.",
  half: "How much is self-consumed is not told: half of it is counted so, half as exported.",
} as const;

interface Price {
  readonly pricePerKwh: number;
  readonly context: LedgerContext;
}

function worthWorking(line: LedgerLine, name: string, lostKwh: number, { pricePerKwh, context: { site } }: Price): Working {
  return {
    title: `${name}, worth, ${spanOf(line.key)}`,
    value: number(lostKwh * pricePerKwh),
    unit: site.currency,
    formula: "loss found × price of a kilowatt-hour",
    inputs: [
      { name: "Loss found", value: kwh(lostKwh, line), from: "the account" },
      {
        name: "A kilowatt-hour",
        value: `${number(pricePerKwh, 4)} ${site.currency}`,
        from: "site chapter: what a kilowatt-hour earns today",
      },
    ],
    source: "Today's price; what is lost beside self-consumption is mostly exported.",
    assumptions: [
      "Without the price's history: a tariff of hours and months is in the Money chapter.",
      ...(site.money.tariff.selfUsedFrac === null ? [SELF_USE_ASSUMED[site.money.tariff.exportPerKwh === null ? "all" : "half"]] : []),
    ],
  };
}
