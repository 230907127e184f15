import type { AcceptanceQuestion, AcceptanceReport, KeptTest, NewTest } from "@/contracts/acceptance";
import { LIMITS } from "@/contracts/limits";
import type { Site } from "@/core/site";
import { canonical, fingerprint } from "@/formats/evidence";
import type { Book } from "../books";
import { cleaningsOf, type EntryStore, limitsOf } from "../field-book";
import type { ImportPorts } from "../imports";
import { Refusal } from "../refusal";
import type { MeasuredTest, TestAsked } from "./measured-test";
import type { AcceptanceStore } from "./ports";

export interface TestPorts {
  readonly tests: AcceptanceStore;
  readonly entries: Pick<EntryStore, "of">;
  readonly imports: Pick<ImportPorts["imports"], "batchesOf">;
  /** The heavy sums of a test. */
  readonly measure: (book: Book, asked: TestAsked) => Promise<MeasuredTest>;
}

async function measured(
  { entries, measure }: Pick<TestPorts, "entries" | "measure">,
  book: Book,
  question: AcceptanceQuestion,
  site: Site | null,
) {
  const own = await entries.of(book.id);
  return measure(book, { question, held: limitsOf(own), cleanings: cleaningsOf(own), site });
}

/** A test's figures as they are now. */
export const askTest = async (
  ports: Pick<TestPorts, "entries" | "measure">,
  book: Book,
  question: AcceptanceQuestion,
): Promise<AcceptanceReport> => (await measured(ports, book, question, null)).report;

/** Keeps a test: its figures are made here, and stand with what they rest on. */
export async function keepTest(ports: TestPorts, book: Book, { name, question }: NewTest): Promise<KeptTest> {
  const [{ report, inputHash }, batches] = await Promise.all([measured(ports, book, question, null), ports.imports.batchesOf(book.id)]);
  const frozen = {
    siteVersion: book.version,
    siteHash: hashOf(book.site),
    inputHash,
    files: batches.filter(({ undoneAt }) => undoneAt === null).map(({ fileName, sha256 }) => ({ name: fileName, fingerprint: sha256 })),
  };
  const kept = await ports.tests.keep(book.id, { name, question, report, frozen, site: book.site }, LIMITS.tests.most);
  if (kept === "named") throw new Refusal("acceptance-refused", "test-named-already", { name });
  if (kept === "full") throw new Refusal("acceptance-refused", "too-many-tests", { count: LIMITS.tests.most });
  return kept;
}

/** A kept test made once more, under the site document that was kept with it. */
export interface Repeated {
  /** Whether each figure is the same to its last digit. */
  readonly isSame: boolean;
  readonly areReadingsSame: boolean;
  /** Whether the book's site document is still that of the test; it is not used here. */
  readonly isSiteSame: boolean;
  readonly report: AcceptanceReport;
}

export async function repeatTest(ports: TestPorts, book: Book, id: number): Promise<Repeated> {
  const test = await ports.tests.find(book.id, id);
  if (!test) throw new Refusal("test-not-found", "test-not-found", { id });
  const { report, inputHash } = await measured(ports, book, test.question, test.site);
  return {
    isSame: canonical(report) === canonical(test.report),
    areReadingsSame: inputHash === test.frozen.inputHash,
    isSiteSame: hashOf(book.site) === test.frozen.siteHash,
    report,
  };
}

export async function removeTest({ tests }: Pick<TestPorts, "tests">, book: Book, id: number): Promise<void> {
  if (!(await tests.remove(book.id, id))) throw new Refusal("test-not-found", "test-not-found", { id });
}

const hashOf = (value: unknown): string => fingerprint(canonical(value));
