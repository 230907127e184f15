import type { MappingQuestion } from "@/contracts/mapping";
import type { Site } from "@/core/site";
import { kwhFromMeanW } from "@/core/units";
import { say } from "@/wording/tables";
import type { PagedSeries } from "./pages";
import type { SeriesFile } from "./series-file";

/** A module gives no more than this over its rating in any step: cold, clear air at the edge of a cloud. */
const MOST_OVER_RATING = 1.3;
/** In a smaller plant one module's energy is a share that a weak plant may have. */
const LEAST_MODULES = 8;
const HOUR_MINUTES = 60;

const NAMED = /(?:module?|modul|panel|optimi[sz]er|micro.?inverter)[\s_#-]*([\p{L}\d][\p{L}\d.-]*)/iu;

/** What one file of one column is of. */
export interface FileOf {
  /** The module that the file is of; null where it is of the plant. */
  readonly moduleId: string | null;
  readonly question: MappingQuestion | null;
}

/** Whether a file with one column of production is a single module's: its name says so, or an answer; one that gives no more than a module of a larger plant is asked about. */
export function moduleOfFile(file: SeriesFile, fileName: string, site: Site, answers: Readonly<Record<string, string>>): FileOf {
  const plant: FileOf = { moduleId: null, question: null };
  const [only] = file.series;
  if (file.kind !== "production" || !only || file.series.length > 1 || answers.columns === "plant") return plant;
  const modules = site.arrays.reduce((sum, { count }) => sum + count, 0);
  const ratedW = largestW(site);
  const stem = fileName.replace(/(\.(csv|txt|tsv|xlsx?|json|parquet|xml|gz))+$/i, "");
  const named = NAMED.exec(stem)?.[1] ?? null;
  if (answers.columns === "modules") return { moduleId: named ?? stem.slice(0, 80), question: null };
  const mostW = mostPowerW(only);
  if (only.stepMinutes > HOUR_MINUTES || modules < LEAST_MODULES || !(mostW > 0) || mostW > MOST_OVER_RATING * ratedW) return plant;
  if (named) return { moduleId: named, question: null };
  return {
    moduleId: null,
    question: {
      id: "columns",
      question: say.isThisOneModule(Math.round(mostW)),
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
