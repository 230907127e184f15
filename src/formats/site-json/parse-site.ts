import { type Problem, ProblemLog } from "@/contracts/problems";
import { type SiteDocument, siteSchema } from "@/contracts/site";
import { mergeChange } from "@/core/site";
import { say } from "@/wording/tables";

export type SiteReading =
  | { readonly ok: true; readonly document: SiteDocument }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** Reads a site document from text; every fault is named by its path, value, expectation and way out. */
export function parseSiteText(text: string): SiteReading {
  try {
    return parseSite(JSON.parse(text));
  } catch (error) {
    const log = new ProblemLog();
    log.add(
      text.trim() === "" ? "empty-file" : "site-json",
      "error",
      {},
      { message: error instanceof Error ? error.message : String(error) },
    );
    return { ok: false, problems: log.list() };
  }
}

/** Checks a site document, and what stands after each of its revisions. */
export function parseSite(json: unknown): SiteReading {
  const parsed = siteSchema.safeParse(json);
  if (!parsed.success) return { ok: false, problems: fieldProblems(json, parsed.error.issues, []) };
  const document = parsed.data;
  const revisions: SiteDocument["revisions"] = [];
  let stood = document;
  for (const [i, revision] of document.revisions.entries()) {
    const merged = siteSchema.safeParse({ ...mergeChange(stood, revision.change), revisions: [] });
    if (!merged.success) return { ok: false, problems: fieldProblems(json, merged.error.issues, ["revisions", i, "change"]) };
    revisions.push({ ...revision, change: withNewComplete(revision.change, stood, merged.data) });
    stood = merged.data;
  }
  return { ok: true, document: { ...document, revisions } };
}

/** A change in which every array, inverter, meter and module that it brings new has its defaults filled in; what it only alters stays as written. */
function withNewComplete(change: Record<string, unknown>, before: SiteDocument, after: SiteDocument): Record<string, unknown> {
  const complete: Record<string, unknown> = { ...change };
  for (const list of ["arrays", "inverters", "meters"] as const) {
    if (!Array.isArray(change[list])) continue;
    const known = new Set(before[list].map((item) => item.id));
    complete[list] = (change[list] as { id: string }[]).map((item) =>
      known.has(item.id) ? item : (after[list].find((made) => made.id === item.id) ?? item),
    );
  }
  if (typeof change.modules === "object" && change.modules !== null) {
    const changed = Object.entries(change.modules as Record<string, unknown>);
    complete.modules = Object.fromEntries(changed.map(([key, fields]) => [key, key in before.modules ? fields : after.modules[key]]));
  }
  return complete;
}

interface FieldIssue {
  readonly code?: string | undefined;
  readonly path: readonly PropertyKey[];
  readonly message: string;
  readonly keys?: readonly string[];
}

function fieldProblems(json: unknown, issues: readonly FieldIssue[], prefix: readonly PropertyKey[]): Problem[] {
  return issues.map((issue) => {
    const path = [...prefix, ...issue.path];
    const name = path.map(String).join(".") || "document";
    const value = valueAt(json, path);
    const message =
      issue.code === "unrecognized_keys"
        ? say.unknownRemoveOrRenameIt((issue.keys ?? []).map((key) => `“${key}”`).join(", "))
        : issue.message;
    const shown = value === undefined ? "" : ` is ${JSON.stringify(value)?.slice(0, 60) ?? ""}`;
    return {
      code: "site-field",
      severity: "error",
      count: 1,
      places: [],
      facts: { path: `${name}${issue.code === "unrecognized_keys" ? "" : shown}`, message },
    };
  });
}

function valueAt(json: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>(
    (value, key) => (typeof value === "object" && value !== null ? (value as Record<PropertyKey, unknown>)[key] : undefined),
    json,
  );
}
