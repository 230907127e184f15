import { readFile } from "node:fs/promises";
import type { z } from "zod";
import { say } from "@/wording/cli";
import { CliRefusal } from "./refuse";

/** What a JSON file says by its contract; refused with the place of its first fault. */
export async function jsonFile<S extends z.ZodType>(file: string, schema: S): Promise<z.output<S>> {
  const text = await readFile(file, "utf8").catch(() => {
    throw new CliRefusal(say.thereIsNoSuchFile(file));
  });
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    throw new CliRefusal(say.thisIsNoJson(file, error instanceof Error ? error.message : ""));
  }
  const read = schema.safeParse(json);
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  throw new CliRefusal(`${file}, ${issue?.path.join(".") || "whole"}: ${issue?.message ?? say.isNotUnderstood}.`);
}
