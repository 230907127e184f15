import { createReadStream } from "node:fs";
import { readdir, readFile, stat } from "node:fs/promises";
import path from "node:path";
import { type Evidence, evidenceSchema, type SourceFile } from "@/contracts/evidence";
import { fingerprint, isIntact, keyInWords } from "@/formats/evidence";
import { furthestApart, type NotRemade, remade } from "@/usecases/acceptance";
import { outcomeInWords } from "@/wording/acceptance";
import { say } from "@/wording/cli";
import { type CliOptions, needed } from "./arguments";
import { jsonFile } from "./json-file";
import { printJson, printText } from "./print";
import { CliRefusal } from "./refuse";

/** Figures of one machine and another differ in their last digits; more is another figure. */
const SAME_FRAC = 1e-9;

const WHY: Readonly<Record<NotRemade, () => string>> = {
  site: () => say.notRemadeSite,
  "light-of-a-usual-year": () => say.notRemadeUsual,
  unreadable: () => say.notRemadeUnreadable,
};

/** `verify`: whether an evidence file is what was signed; with its raw files, whether its figures come of them. Ends with 1 where one of it does not hold. */
export async function verifyCommand(options: CliOptions): Promise<void> {
  const file = needed(options.evidence, "evidence", say.evidenceFile);
  const evidence = await jsonFile(file, evidenceSchema);
  const intact = isIntact(JSON.parse(await readFile(file, "utf8")) as Record<string, unknown>, evidence.signature);
  const raw = options.files === undefined ? null : await rawFilesOf(evidence, options.files);
  const made =
    raw && intact && raw.missing.length === 0
      ? await remade(evidence, (source) => () => createReadStream(raw.at.get(source.sha256)!))
      : null;
  const apart = made !== null && typeof made !== "string" ? furthestApart(made, evidence.test.report) : null;
  const holds = intact && (raw === null || (raw.missing.length === 0 && apart !== null && apart <= SAME_FRAC));
  if (!holds) process.exitCode = 1;
  const { test, signature } = evidence;
  const words = outcomeInWords(test.report, test.question.kind === "capacity" ? test.question.passFrac : 1);
  const keyFingerprint = keyInWords(signature.publicKey);
  if (options.json)
    return printJson("verify", {
      ...{ holds, isIntact: intact, keyFingerprint, book: evidence.book, test: test.name, words },
      missing: raw?.missing.map(({ name, sha256 }) => ({ name, sha256 })) ?? null,
      furthestApart: apart,
      notRemade: typeof made === "string" ? made : null,
    });
  printText(`${evidence.book}, ${test.name}: ${words}`);
  printText(intact ? say.evidenceIntact(keyFingerprint) : say.evidenceChanged(keyFingerprint));
  if (!raw) return;
  printText(say.rawFilesFound(evidence.sources.length - raw.missing.length, evidence.sources.length));
  for (const { name, sha256 } of raw.missing) printText(say.rawFileMissing(name, sha256));
  if (typeof made === "string") printText(say.notRemade(WHY[made]()));
  else if (apart !== null) printText((apart <= SAME_FRAC ? say.figuresAgree : say.figuresDiffer)(apart.toExponential(1)));
}

interface RawFiles {
  readonly at: ReadonlyMap<string, string>;
  readonly missing: readonly SourceFile[];
}

/** The raw files of an evidence file in a folder, known by their bytes, whatever they are called. */
async function rawFilesOf({ sources }: Evidence, folder: string): Promise<RawFiles> {
  const names = await readdir(folder).catch(() => {
    throw new CliRefusal(say.thereIsNoSuchFileCheck(folder));
  });
  const sizes = new Set(sources.map(({ byteCount }) => byteCount));
  const at = new Map<string, string>();
  for (const name of names) {
    const file = path.join(folder, name);
    const { size, isFile } = await stat(file).then((found) => ({ size: found.size, isFile: found.isFile() }));
    if (isFile && sizes.has(size)) at.set(fingerprint(await readFile(file)), file);
  }
  return { at, missing: sources.filter(({ sha256 }) => !at.has(sha256)) };
}
