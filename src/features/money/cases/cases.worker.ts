import { expose } from "comlink";
import type { SiteDocument } from "@/contracts/site";
import { unpackWeather } from "@/contracts/weather-wire";
import {
  CASE_TEMPLATES,
  type CaseFacts,
  type CaseFigures,
  type CaseTerms,
  type Decision,
  decide,
  meanYear,
  type SideName,
  wholeYears,
} from "@/core/money";
import type { Site } from "@/core/site";
import { type CalendarBins, monthBins } from "@/core/time";
import { type Climate, skyWithoutFile } from "@/core/weather";
import { type PreparedWeather, prepareWeather, runPrepared, type YieldOptions, yieldLines } from "@/core/yield";

interface Loaded {
  readonly site: SiteDocument;
  readonly prepared: PreparedWeather;
  readonly bins: CalendarBins;
  readonly isRainKnown: boolean;
  /** What the meter counts over what the sun that was taken gives; 1 where the weather is the book's. */
  readonly scale: number;
}

let loaded: Loaded | null = null;

export interface CaseQuestion {
  readonly id: string;
  readonly figures: CaseFigures;
  readonly facts: CaseFacts;
  readonly terms: CaseTerms;
}

export interface DecidedCase {
  readonly id: string;
  readonly base: SideName;
  readonly decisions: readonly Decision[];
}
/** A case whose ground is not known: what to bring. */
export interface WithheldCase {
  readonly id: string;
  readonly missing: "rain";
}
export type CaseAnswer = DecidedCase | WithheldCase;

/** Decision cases in a thread of their own, over the whole years of the book's weather. */
const engine = {
  /** The book's weather, or without any a climate's or a cloudless year, brought to what the meter counts in a year where that is known. */
  load(site: SiteDocument, bytes: ArrayBuffer | null, climate: Climate | null, countedKwh: number | null): void {
    const weather = bytes ? unpackWeather(bytes) : skyWithoutFile(climate, site.place);
    const prepared = prepareWeather(site.place, weather);
    const bins = monthBins(weather.axis, site.place.timeZone);
    const modelKwh = bytes || countedKwh === null ? 0 : runPrepared(site, prepared, bins).expectedKwh.reduce((sum, kwh) => sum + kwh, 0);
    loaded = {
      site,
      prepared,
      bins,
      isRainKnown: weather.rainMm !== null,
      scale: modelKwh > 0 && countedKwh !== null ? countedKwh / modelKwh : 1,
    };
  },

  async answer({ id, figures, facts, terms }: CaseQuestion): Promise<CaseAnswer> {
    if (!loaded) throw new Error("No weather is loaded yet");
    const { site, prepared, bins, scale, isRainKnown } = loaded;
    const template = CASE_TEMPLATES.find((candidate) => candidate.id === id)!;
    if (template.needs === "rain" && !isRainKnown) return { id, missing: "rain" };
    const years = (changed: Site, options: YieldOptions = {}): Promise<number[][]> =>
      Promise.resolve(
        wholeYears(yieldLines(runPrepared(changed, prepared, bins, options))).map((months) => months.map((kwh) => kwh * scale)),
      );
    const mean = async (changed: Site, options?: YieldOptions): Promise<number[]> => meanYear(await years(changed, options));
    const sides = await template.sides(site, figures, mean, facts, years);
    const [base, ...variants] = sides;
    return {
      id,
      base: base!.name,
      decisions: variants.map((variant) => decide(base!, variant, terms)),
    };
  },
};

export type CaseEngine = typeof engine;
expose(engine);
