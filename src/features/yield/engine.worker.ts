import { expose } from "comlink";
import { modelChoices, type SiteDocument } from "@/contracts/site";
import { unpackWeather } from "@/contracts/weather-wire";
import { DESIGN_ACCOUNTS, type DesignAccount, designAccountOf, MODEL_ACCOUNTS } from "@/core/accounts";
import { type CalendarBins, monthBins } from "@/core/time";
import {
  applyWhatIf,
  litSky,
  type PreparedWeather,
  planeEnergyKwh,
  planeTerms,
  prepareWeather,
  runPrepared,
  type WhatIf,
  type YieldLine,
  yieldLines,
} from "@/core/yield";
import type { MapPart, MethodEffect, Removal } from "./engine-types";
import { AZIMUTHS, COARSE_AZIMUTH, COARSE_TILT, STEP_DEG, TILTS } from "./map-grid";

interface Loaded {
  readonly site: SiteDocument;
  readonly prepared: PreparedWeather;
  readonly bins: CalendarBins;
}

let loaded: Loaded | null = null;
let mapTurn = 0;

const current = (): Loaded => {
  if (!loaded) throw new Error("No weather is loaded yet");
  return loaded;
};
const yearKwh = (lines: readonly YieldLine[]): number => lines.reduce((sum, line) => sum + line.expectedKwh, 0);
const linesOf = (
  { prepared, bins }: Loaded,
  site: Loaded["site"] | ReturnType<typeof applyWhatIf>,
  without: readonly DesignAccount[] = [],
) => yieldLines(runPrepared(site, prepared, bins, { without: MODEL_ACCOUNTS.filter((stage) => without.includes(designAccountOf(stage))) }));

/** The chain, in a thread of its own, over one year of a book's weather. */
const engine = {
  load(site: SiteDocument, bytes: ArrayBuffer): void {
    const weather = unpackWeather(bytes);
    loaded = { site, prepared: prepareWeather(site.place, weather), bins: monthBins(weather.axis, site.place.timeZone) };
  },

  /** Months of the year under a what-if. */
  run: (whatIf: WhatIf): YieldLine[] => linesOf(current(), applyWhatIf(current().site, whatIf)),

  /** What would come back at the meter without each cause. */
  removals(): Removal[] {
    const base = linesOf(current(), current().site);
    const posts = (account: DesignAccount): boolean =>
      MODEL_ACCOUNTS.some((stage) => designAccountOf(stage) === account && base.some((line) => line.accountsKwh[stage] !== 0));
    return DESIGN_ACCOUNTS.filter(posts).map((account) => ({
      account,
      gainIfRemovedKwh: linesOf(current(), current().site, [account]).map((line, k) => line.expectedKwh - base[k]!.expectedKwh),
    }));
  },

  /** What each other method would make of the year. */
  methods(): MethodEffect[] {
    const { site } = current();
    const base = yearKwh(linesOf(current(), site));
    return (Object.keys(modelChoices) as (keyof typeof modelChoices)[]).flatMap((stage) =>
      modelChoices[stage].map((choice) => {
        const chosen = site.models[stage] === choice;
        const expectedKwh = chosen ? base : yearKwh(linesOf(current(), applyWhatIf(site, { arrayId: null, models: { [stage]: choice } })));
        return { stage, choice, chosen, expectedKwh, differenceKwh: expectedKwh - base };
      }),
    );
  },

  /** Energy of the whole book in one plane, over all planes: coarse first, then finer; a newer call ends an older one. */
  async map(whatIf: WhatIf, onPart: (part: MapPart) => void): Promise<boolean> {
    const turn = ++mapTurn;
    const { prepared } = current();
    if (prepared.weather.poaWm2) return false;
    const site = applyWhatIf(current().site, whatIf);
    const terms = planeTerms(site);
    const array = site.arrays.find((candidate) => candidate.id === whatIf.arrayId) ?? site.arrays[0]!;
    const sky = litSky(site, prepared, { ...terms, mounting: array.mounting });
    const kwh = new Float64Array(TILTS * AZIMUTHS).fill(Number.NaN);
    const fill = (t: number, a: number): void => {
      const cell = t * AZIMUTHS + a;
      if (Number.isNaN(kwh[cell])) kwh[cell] = planeEnergyKwh(sky, terms, t * STEP_DEG, a * STEP_DEG);
    };
    for (let t = 0; t < TILTS; t += COARSE_TILT) for (let a = 0; a < AZIMUTHS; a += COARSE_AZIMUTH) fill(t, a);
    onPart({ kwh: kwh.slice(), done: false });
    let lastReportMs = performance.now();
    for (let t = 0; t < TILTS; t++) {
      for (let a = 0; a < AZIMUTHS; a++) fill(t, a);
      if (performance.now() - lastReportMs < 90 && t < TILTS - 1) continue;
      onPart({ kwh: kwh.slice(), done: t === TILTS - 1 });
      await new Promise((resolve) => setTimeout(resolve));
      if (turn !== mapTurn) return false;
      lastReportMs = performance.now();
    }
    return true;
  },
};

export type YieldEngine = typeof engine;
expose(engine);
