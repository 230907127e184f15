import type { TrainerCase } from "@/contracts/trainer";
import { number } from "../format";
import type { Working } from "./working";

const total = (values: TrainerCase["meteredKwh"]): number => values.reduce<number>((sum, value) => sum + (value ?? 0), 0);
const missing = (values: TrainerCase["meteredKwh"]): number => values.filter((value) => value === null).length;
const FROM = "a made-up plant with a known truth";

/** What a case's month lacks. */
export const missingWorking = ({ title, missingKwh, expectedKwh, meteredKwh, days }: TrainerCase): Working => ({
  title: `Missing in “${title}”`,
  value: number(missingKwh),
  unit: "kWh",
  formula: "Σ expected − Σ metered over the month’s days",
  inputs: [
    { name: "expected", value: `${number(total(expectedKwh))} kWh`, from: "the chain over the month’s weather, with the book’s budget" },
    { name: "metered", value: `${number(total(meteredKwh))} kWh`, from: FROM },
    { name: "days without a reading", value: `${missing(meteredKwh)} of ${days.length}`, from: "a gap in the picture" },
  ],
  source: "The ledger’s own line for this month.",
  assumptions: ["Both are rounded by day here, and by hour in the ledger: they may part by a few kilowatt-hours."],
});

/** What a case really was. */
export const answerWorking = ({ title, answer, answerKwh, lesson }: TrainerCase): Working => ({
  title: `What “${title}” was`,
  value: answer === "none" ? "0" : number(answerKwh),
  unit: "kWh",
  formula:
    answer === "dataGap"
      ? "Σ expected over the time without readings"
      : `what the search for causes posts to ${answer === "none" ? "no account" : answer}`,
  inputs: [{ name: "readings and weather", value: "as in the pictures", from: FROM }],
  source: "The Ledger’s search for causes, run on this plant; docs/methods.md, causes.",
  assumptions: [lesson],
});

/** What is left to post. */
export const leftWorking = ({ missingKwh }: TrainerCase, postedKwh: number): Working => ({
  title: "Left unexplained",
  value: number(missingKwh - postedKwh),
  unit: "kWh",
  formula: "missing − Σ posted",
  inputs: [
    { name: "missing", value: `${number(missingKwh)} kWh`, from: "expected less metered" },
    { name: "posted", value: `${number(postedKwh)} kWh`, from: "you" },
  ],
  source: "The balance of every month: expected less losses found less gaps less metered is the unexplained.",
  assumptions: [],
});
