import { createHash } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import type { Mutant } from "@stryker-mutator/api/core";
import { Instrumenter } from "@stryker-mutator/instrumenter";
import { group } from "d3";

/** A change to one place of the core that a test should notice. */
export type CoreMutant = Pick<Mutant, "mutatorName" | "replacement" | "location"> & {
  /** From the root of the repository, with forward slashes. */
  file: string;
  /** The room of the core it stands in: the first folder below `src/core`. */
  folder: string;
  /** What it is, without the lines it stands on: the same mutant is drawn again when code moves about it. */
  identity: string;
  /** Why no test can tell it from the code, where a comment says so. */
  equivalent: string | null;
};

const CORE = "src/core";
const silent = () => undefined;
const logger = {
  isTraceEnabled: () => false,
  isDebugEnabled: () => false,
  isInfoEnabled: () => false,
  isWarnEnabled: () => false,
  isErrorEnabled: () => false,
  isFatalEnabled: () => false,
  trace: silent,
  debug: silent,
  info: silent,
  warn: silent,
  error: silent,
  fatal: silent,
};

/** The files of the core that hold code: tests and mere lists of exports are left out. */
export function coreFiles(root: string, folder?: string): string[] {
  return readdirSync(path.join(root, CORE, folder ?? ""), { recursive: true, encoding: "utf8" })
    .map((file) => path.posix.join(CORE, folder ?? "", file.replaceAll(path.sep, "/")))
    .filter((file) => file.endsWith(".ts") && !file.endsWith(".test.ts"))
    .sort();
}

/** All mutants of these files, in the order of the code. */
export async function mutantsOf(root: string, files: string[]): Promise<CoreMutant[]> {
  const instrumenter = new Instrumenter(logger);
  const sources = new Map(files.map((file) => [file, readFileSync(path.join(root, file), "utf8")]));
  const { mutants } = await instrumenter.instrument(
    [...sources].map(([name, content]) => ({ name, content, mutate: true })),
    { ignorers: [], excludedMutations: [], plugins: null },
  );
  const seen = new Map<string, number>();
  return mutants.map((mutant) => {
    const file = mutant.fileName;
    const plain = [file, mutant.mutatorName, original(sources.get(file) ?? "", mutant.location), mutant.replacement].join("\n");
    const times = seen.get(plain) ?? 0;
    seen.set(plain, times + 1);
    const { mutatorName, replacement, location } = mutant;
    return {
      file,
      mutatorName,
      replacement,
      location,
      folder: file.split("/")[2] ?? "",
      identity: `${plain}\n${times}`,
      equivalent: mutant.status === "Ignored" ? (mutant.statusReason ?? "") : null,
    };
  });
}

function original(source: string, { start, end }: Mutant["location"]): string {
  const lines = source.split("\n").slice(start.line, end.line + 1);
  lines.push((lines.pop() ?? "").slice(0, end.column));
  return lines.join("\n").slice(start.column);
}

/**
 * A sample of the mutants, the same for the same seed and code. Each folder has its share by the number of its mutants and at least
 * `least` (or all it has): a small room is judged too.
 */
export function drawMutants(mutants: CoreMutant[], { seed, size, least }: { seed: number; size: number; least: number }): CoreMutant[] {
  const lot = (mutant: CoreMutant) => createHash("sha256").update(`${seed}\n${mutant.identity}`).digest("hex");
  const drawn = mutants.filter(({ equivalent }) => equivalent === null).map((mutant) => ({ mutant, lot: lot(mutant) }));
  drawn.sort((a, b) => (a.lot < b.lot ? -1 : 1));
  const folders = group(drawn, ({ mutant }) => mutant.folder);
  const chosen = [...folders.values()].flatMap((all) => all.slice(0, Math.max(least, Math.floor((size * all.length) / drawn.length))));
  // What the small rooms took over their share is given back by the large ones, last drawn first.
  chosen.sort((a, b) => (a.lot < b.lot ? -1 : 1));
  for (const item of chosen.toReversed()) {
    if (chosen.length <= size) break;
    const folder = item.mutant.folder;
    if (chosen.filter(({ mutant }) => mutant.folder === folder).length > least) chosen.splice(chosen.indexOf(item), 1);
  }
  return chosen.map(({ mutant }) => mutant);
}

/** What tells a mutant of the runner from another: where it stands and what it puts there. */
export const mutantKey = ({
  file,
  location: { start, end },
  mutatorName,
  replacement,
}: Omit<CoreMutant, "folder" | "identity" | "equivalent">) =>
  [file, start.line, start.column, end.line, end.column, mutatorName, replacement].join("|");
