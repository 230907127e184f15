import type { AgeingReport } from "@/contracts/attribution";
import type { ResidualAxis } from "@/core/attribution";
import { catalogue } from "./catalogue";
import { inReadersUnit, number, percent, readersUnit } from "./format";

type Residuals = NonNullable<AgeingReport["residuals"]>[number];

const words = catalogue({
  temperature: "By cell temperature",
  incidence: "By angle of incidence",
  load: "By load",
  temperatureEnds: (low: string, high: string, unit: string) => `from cells at ${low} to ${high} ${unit}`,
  incidenceEnds: (low: string, high: string) => `from ${low}° to ${high}° off the modules' front`,
  loadEnds: (low: string, high: string) => `from ${low} to ${high} % of the rating`,
  temperatureCause: "coefficient of power or mounting",
  incidenceCause: "glass, dirt on it, or the split of the light",
  loadCause: "weak light, inverter curve or wiring",
});

export const RESIDUAL_TITLES: Readonly<Record<ResidualAxis, string>> = {
  temperature: words.temperature,
  incidence: words.incidence,
  load: words.load,
};

/** What the values of an axis are shown times, and in which unit. */
export const residualUnit = (by: ResidualAxis): { readonly scale: number; readonly unit: string } =>
  by === "load" ? { scale: 100, unit: "% of the rating" } : { scale: 1, unit: by === "temperature" ? "°C" : "°" };

function endsOf({ by, bins }: Residuals): string {
  const [low, high] = [(bins[0]!.from + bins[0]!.to) / 2, (bins.at(-1)!.from + bins.at(-1)!.to) / 2];
  if (by === "load") return words.loadEnds(number(low * 100), number(high * 100));
  if (by === "incidence") return words.incidenceEnds(number(low), number(high));
  return words.temperatureEnds(number(inReadersUnit(low, "°C")[0]), number(inReadersUnit(high, "°C")[0]), readersUnit("°C"));
}

const CAUSES: Readonly<Record<ResidualAxis, string>> = {
  temperature: words.temperatureCause,
  incidence: words.incidenceCause,
  load: words.loadCause,
};

/** A lean is told where its interval leaves nothing out and it is a hundredth at the least: less is within what any model leaves. */
const TOLD_FRAC = 0.01;
export const isTold = ({ lean }: Residuals): boolean =>
  lean !== null && Math.abs(lean.frac) >= TOLD_FRAC && Math.abs(lean.frac) > lean.halfFrac;

const changed = (frac: number): string => `${frac > 0 ? "+" : "−"}${percent(Math.abs(frac), 1)}`;

/** One axis in words. */
export function residualWords(residuals: Residuals): string {
  const { by, lean, bins } = residuals;
  if (!lean) return bins.length === 0 ? "Too few hours to tell." : "Too few stretches to tell a lean.";
  const change = `${changed(lean.frac)} ± ${percent(lean.halfFrac, 1)} ${endsOf(residuals)}`;
  return isTold(residuals) ? `${change}: ${CAUSES[by]}.` : `${change}: no lean worth a word.`;
}

/** What the model leaves, in one sentence. */
export function residualsSentence(all: readonly Residuals[]): string {
  const told = all.filter(isTold);
  if (told.length === 0) return "The model's error goes with neither heat, nor angle, nor load by more than a hundredth.";
  const names = told.map(({ by }) => ({ temperature: "heat", incidence: "the angle of the light", load: "load" })[by]);
  const listed = names.length < 2 ? names[0]! : `${names.slice(0, -1).join(", ")} and ${names.at(-1)!}`;
  return `The model's error goes with ${listed}.`;
}
