import { arrayCurve, type StringModule } from "@/core/electrical";
import { fitDatasheet } from "@/core/module";
import { runTrial } from "@/core/trial";
import { trialSources } from "@/usecases/trials";
import { schoolBook } from "../test/school";
import { bestMs } from "./best-ms";

export interface FieldFigures {
  readonly curveMs: number;
  readonly trialMs: number;
  readonly trialSourcesMs: number;
}

const sheet = { iscA: 10.3, vocV: 49.1, impA: 9.76, vmpV: 41, alphaIscPerK: 0.0005, betaVocPerK: -0.0028, cellsInSeries: 72 };

/** Sixty modules, no two groups of cells alike. */
function sixtyModules(): { modules: StringModule[] }[] {
  const reference = fitDatasheet(sheet)!;
  return Array.from({ length: 4 }, (_, s) => ({
    modules: Array.from({ length: 15 }, (__, k) => ({
      reference,
      cellTempC: 45 + k * 0.1,
      groupIrradianceWm2: [700 + k + s * 7, 800 + k * 2 + s, 900 - k * 3 + s],
    })),
  }));
}

/** The common curve of a mixed array, and the demo's trial of ten months with 2,000 draws. */
export function measureField(): FieldFigures {
  const strings = sixtyModules();
  const book = schoolBook();
  const question = { a: "gym-dc", b: "class-ac", from: null, to: null };
  const sources = trialSources(question, book.ledger, book.production);
  return {
    curveMs: bestMs(() => arrayCurve({ strings, bypassDropV: 0.5 })),
    trialMs: bestMs(() => runTrial({ ...sources, draws: 2000, seed: 1 })),
    trialSourcesMs: bestMs(() => trialSources(question, book.ledger, book.production)),
  };
}
