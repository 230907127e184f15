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
import { type PreparedWeather, prepareWeather, runPrepared, type YieldOptions, yieldLines } from "@/core/yield";

interface Loaded {
  readonly site: SiteDocument;
  readonly prepared: PreparedWeather;
  readonly bins: CalendarBins;
}

let loaded: Loaded | null = null;

export interface CaseQuestion {
  readonly id: string;
  readonly figures: CaseFigures;
  readonly facts: CaseFacts;
  readonly terms: CaseTerms;
}

export interface CaseAnswer {
  readonly id: string;
  readonly base: SideName;
  readonly decisions: readonly Decision[];
}

/** Decision cases in a thread of their own, over the whole years of the book's weather. */
const engine = {
  load(site: SiteDocument, bytes: ArrayBuffer): void {
    const weather = unpackWeather(bytes);
    loaded = { site, prepared: prepareWeather(site.place, weather), bins: monthBins(weather.axis, site.place.timeZone) };
  },

  async answer({ id, figures, facts, terms }: CaseQuestion): Promise<CaseAnswer> {
    if (!loaded) throw new Error("No weather is loaded yet");
    const { site, prepared, bins } = loaded;
    const template = CASE_TEMPLATES.find((candidate) => candidate.id === id)!;
    const years = (changed: Site, options: YieldOptions = {}): Promise<number[][]> =>
      Promise.resolve(wholeYears(yieldLines(runPrepared(changed, prepared, bins, options))));
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
