import { readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { glossaryRows } from "./house/glossary-rows";

/** Writes the glossary of the docs as the help that opens from labels. */
const root = path.join(import.meta.dirname, "..");
const rows = glossaryRows(readFileSync(path.join(root, "docs", "glossary.md"), "utf8"));
writeFileSync(
  path.join(root, "generated", "glossary.json"),
  `${JSON.stringify(
    rows.map(({ term, what }) => ({ term, what })),
    null,
    1,
  )}\n`,
);
console.log(`${rows.length} terms in generated/glossary.json`);
