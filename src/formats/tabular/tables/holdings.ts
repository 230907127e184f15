import { say } from "@/wording/tables";
import type { ColumnMeaning } from "./column-words";
import type { Draft } from "./draft";

/** What a person may say that unnamed numbers hold. */
const HOLDINGS: ReadonlyMap<string, ColumnMeaning & { readonly label: string }> = new Map([
  ["energy_kwh", { quantity: "energy_kwh", factor: 1, offset: 0, unit: "kwh", label: say.energyOfTheIntervalKwh }],
  ["energy_wh", { quantity: "energy_kwh", factor: 0.001, offset: 0, unit: "wh", label: say.energyOfTheIntervalWh }],
  ["power_w", { quantity: "power_w", factor: 1, offset: 0, unit: "w", label: say.meanPowerW }],
  ["power_kw", { quantity: "power_w", factor: 1000, offset: 0, unit: "kw", label: say.meanPowerKw }],
  ["counter_kwh", { quantity: "counter_kwh", factor: 1, offset: 0, unit: "kwh", label: say.lifetimeCounterKwh }],
  ["day_counter_kwh", { quantity: "counter_kwh", factor: 1, offset: 0, unit: "kwh", beginsAnew: true, label: say.dayCounterKwh }],
  ["ghi_w_m2", { quantity: "ghi_w_m2", factor: 1, offset: 0, unit: "w/m2", label: "global irradiance, W/m²" }],
]);

/** What was answered of the quantity; null before it was. */
export const answeredHolding = ({ context }: Draft): ColumnMeaning | null => HOLDINGS.get(context.answers.quantity ?? "") ?? null;

/** Asks what unnamed numbers hold. */
export function askHolding(draft: Draft, asked: { question: string; evidence: string; confidenceFrac: number }): void {
  const { question, evidence, confidenceFrac } = asked;
  draft.confidence = Math.min(draft.confidence, confidenceFrac);
  draft.questions.push({ id: "quantity", question, evidence, choices: [...HOLDINGS].map(([value, { label }]) => ({ value, label })) });
}
