import { writeFile } from "node:fs/promises";
import path from "node:path";
import { validationMarkdown, validationRows } from "./validation-rows";

/** Writes the validation page of the docs, and its rows for the application. */
const root = path.join(import.meta.dirname, "..");
const rows = validationRows();
await writeFile(path.join(root, "docs", "validation.md"), validationMarkdown(rows));
await writeFile(path.join(root, "generated", "validation-rows.json"), `${JSON.stringify(rows, null, 2)}\n`);
console.log(`${rows.length} methods in docs/validation.md`);
