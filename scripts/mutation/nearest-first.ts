import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { BaseSequencer, type TestSpecification } from "vitest/node";

/**
 * Of the test files of a mutant only those that run through it, and the nearest to its file first: a wrong is mostly noticed at
 * home. A mutant that one file alone met may stand outside functions, where it is run once and for all: it is asked of every file.
 */
export class NearestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const told = this.ctx.getRootProject().getProvidedContext() as { readonly mode?: string; readonly activeMutant?: string };
    const sorted = (await super.sort(files)).toReversed();
    if (told.mode !== "mutant" || told.activeMutant === undefined) return sorted;
    const meeting = filesThatMeet(told.activeMutant);
    const changed = (this.ctx.config.related ?? [])[0]?.split("/") ?? [];
    const near = ({ moduleId }: TestSpecification): number => moduleId.split("/").findIndex((part, k) => part !== changed[k]);
    return sorted.filter(({ moduleId }) => meeting.size < 2 || meeting.has(baseOf(moduleId))).sort((a, b) => near(b) - near(a));
  }
}

/** Runners work in folders of their own. */
const baseOf = (file: string): string => file.replace(/^.*\/(src|test)\//, "$1/");

const metBy = new Map<string, Set<string>>();

function filesThatMeet(mutant: string): ReadonlySet<string> {
  const folder = process.env.MUTATION_FOLDER;
  if (metBy.size === 0 && folder) {
    for (const name of readdirSync(folder).filter((each) => each.startsWith("met-"))) {
      const { file, met } = JSON.parse(readFileSync(path.join(folder, name), "utf8")) as { file: string; met: string[] };
      for (const each of met) {
        const files = metBy.get(each) ?? new Set();
        metBy.set(each, files.add(baseOf(file)));
      }
    }
  }
  return metBy.get(mutant) ?? new Set();
}
