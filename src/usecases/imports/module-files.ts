import type { ImportOptions } from "@/contracts/imports";
import { type MappingQuestion, MODULE_QUANTITY } from "@/contracts/mapping";
import { energyKwh, type ProductionQuantity } from "@/core/readings";
import type { Site } from "@/core/site";
import { DAY_MS, kwhFromMeanW, MINUTE_MS } from "@/core/units";
import type { PagedSeries, SeriesFile } from "@/formats/tabular/series";
import { say } from "@/wording/tables";
import { joinPages, type MeteredPages } from "./join-pages";

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
export function moduleOfFile(file: SeriesFile, fileName: string, site: Site, { answers }: ImportOptions): FileOf {
  const plant: FileOf = { moduleId: null, question: null };
  const [only] = file.series;
  if (file.kind !== "production" || !only || file.series.length > 1 || answers.columns === "plant") return plant;
  const modules = site.arrays.reduce((sum, { count }) => sum + count, 0);
  const ratedW = Math.max(...Object.values(site.modules).map(({ pmpW }) => pmpW));
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

function mostPowerW(pages: PagedSeries): number {
  const perStep = kwhFromMeanW(1, pages.stepMinutes);
  let most = 0;
  for (const kwh of energiesOf({ ...pages, meterId: "" })?.kwh ?? []) if (kwh > most) most = kwh;
  return most / perStep;
}

/** Energies of one column from its first day to its last, kWh. */
function energiesOf(pages: MeteredPages): { readonly startUtcMs: number; readonly kwh: Float64Array } | null {
  const joined = joinPages(pages);
  return (
    joined && { startUtcMs: joined.axis.startUtcMs, kwh: energyKwh(joined.values, pages.quantity as ProductionQuantity, pages.stepMinutes) }
  );
}

/** Energy that no module gives in a step, kWh. */
export const mostOfModuleKwh = (site: Site, stepMinutes: number): number =>
  kwhFromMeanW(MOST_OVER_RATING * Math.max(...Object.values(site.modules).map(({ pmpW }) => pmpW)), stepMinutes);

/** Columns of single modules as their energies: what is kept of them, whatever the recorder wrote. */
export const asModuleEnergies = (series: readonly MeteredPages[]): MeteredPages[] =>
  series.map((pages) => {
    const found = energiesOf(pages);
    const perDay = DAY_MS / (pages.stepMinutes * MINUTE_MS);
    const days = new Map<number, Float64Array>();
    const first = found ? Math.floor(found.startUtcMs / DAY_MS) : 0;
    for (let at = 0; found && at < found.kwh.length; at += perDay) {
      const page = found.kwh.slice(at, at + perDay);
      if (page.some((kwh) => !Number.isNaN(kwh))) days.set(first + at / perDay, page);
    }
    return { ...pages, quantity: MODULE_QUANTITY, days };
  });
