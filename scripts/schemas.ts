import { mkdir, writeFile } from "node:fs/promises";
import path from "node:path";
import { published } from "../src/contracts/published";

/** Writes the JSON Schemas of the open formats from their Zod contracts. */
const folder = path.join(import.meta.dirname, "..", "docs", "formats");
await mkdir(folder, { recursive: true });
for (const { file, schema } of published()) await writeFile(path.join(folder, file), `${JSON.stringify(schema, null, 2)}\n`);
console.log(`${published().length} schemas in docs/formats`);
