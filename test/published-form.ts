import { readFileSync } from "node:fs";
import path from "node:path";
import { Ajv2020 } from "ajv/dist/2020";
import { projectRoot } from "./paths";

/** What another program would find wrong with a printed answer, by the schema that is published for it. */
export function valid(form: string, answer: unknown): string[] {
  const schema = JSON.parse(readFileSync(path.join(projectRoot, "docs", "formats", `${form}.schema.json`), "utf8")) as object;
  const check = new Ajv2020({ strict: false, allErrors: true, formats: { date: true, uuid: true, "date-time": true } }).compile(schema);
  check(answer);
  return (check.errors ?? []).map(({ instancePath, message }) => `${instancePath} ${message}`);
}
