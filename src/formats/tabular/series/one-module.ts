import type { MappingQuestion } from "@/contracts/mapping";
import type { Site } from "@/core/site";
import { kwhFromMeanW } from "@/core/units";
import { say } from "@/wording/tables";
import type { PagedSeries } from "./pages";
import type { SeriesFile } from "./series-file";

/** A module gives no more than this over its rating in any step: cold, clear air at the edge of a cloud. */
const MOST_OVER_RATING = 1.3;
/** Nor is the best step of a module less than this share of it, over days worth a file: what gives less is another unit, or a plant that hardly worked. */
const LEAST_OF_RATING = 0.3;
/** In a smaller plant one module's energy is a share that a weak plant may have. */
const LEAST_MODULES = 8;
const HOUR_MINUTES = 60;
/** Fewer days may be dull for a whole plant, or a piece that a feed brought. */
const LEAST_DAYS = 14;
const MOST_NAME = 80;

const NAMED = /(?:module?|modul|panel|optimi[sz]er|micro.?inverter)[\s_#-]*([\p{L}\d][\p{L}\d.-]*)/iu;

/** What one file of one column is of. */
export interface FileOf {
  /** The module that the file is of; null where it is of the plant. */
  readonly moduleId: string | null;
  readonly question: MappingQuestion | null;
}

/** What was said of the file before: answers, and whether its columns were mapped by somebody. */
interface Told {
  readonly answers: Readonly<Record<string, string>>;
  readonly isMapped: boolean;
}

/**
 * Whether a file with one column is a single module's: its name says so, an answer, or the mapping that was given; one that gives what a module of a larger plant gives
 * is asked about.
 */
export function moduleOfFile(file: SeriesFile, fileName: string, site: Site, { answers, isMapped }: Told): FileOf {
  const plant: FileOf = { moduleId: null, question: null };
  const [only] = file.series;
  if (!only || file.series.length > 1 || file.kind === "weather" || answers.columns === "plant") return plant;
  const stem = fileName.replace(/(\.(csv|txt|tsv|xlsx?|json|parquet|xml|gz))+$/i, "");
  const named = NAMED.exec(stem)?.[1] ?? null;
  const one: FileOf = { moduleId: (named ?? stem).slice(0, MOST_NAME), question: null };
  if (file.kind === "modules") return only.meterId === null ? one : plant;
  if (answers.columns === "modules") return one;
  const modules = site.arrays.reduce((sum, { count }) => sum + count, 0);
  const ofRating = mostPowerW(only) / largestW(site);
  // What has no name is a feed's: nobody stands by to be asked.
  if (isMapped || stem === "" || only.stepMinutes > HOUR_MINUTES || modules < LEAST_MODULES) return plant;
  if (!(ofRating > 0 && ofRating <= MOST_OVER_RATING)) return plant;
  const isLong = only.days.size >= LEAST_DAYS;
  if (named && isLong) return one;
  if (!named && (!isLong || ofRating < LEAST_OF_RATING)) return plant;
  return {
    moduleId: null,
    question: {
      id: "columns",
      question: say.isThisOneModule(Math.round(ofRating * largestW(site))),
      evidence: say.aPlantGivesMore(modules),
      choices: [
        { value: "modules", label: say.oneModule },
        { value: "plant", label: say.thePlantItself },
      ],
    },
  };
}

/** The most that a column gives in a step, W; a counter by its rises. */
function mostPowerW({ quantity, stepMinutes, days }: PagedSeries): number {
  let most = 0;
  for (const page of days.values())
    page.forEach((value, i) => {
      const own = quantity === "counter_kwh" ? value - (page[i - 1] ?? Number.NaN) : value;
      if (own > most) most = own;
    });
  return quantity === "power_w" ? most : most / kwhFromMeanW(1, stepMinutes);
}

/** Energy that no module gives in a step, kWh. */
export const mostOfModuleKwh = (site: Site, stepMinutes: number): number => kwhFromMeanW(MOST_OVER_RATING * largestW(site), stepMinutes);

const largestW = ({ modules }: Site): number => Math.max(...Object.values(modules).map(({ pmpW }) => pmpW));
