import { parseArgs } from "node:util";
import { CliRefusal } from "./refuse";

const OPTIONS = {
  site: { type: "string" },
  weather: { type: "string" },
  production: { type: "string" },
  promise: { type: "string" },
  events: { type: "string" },
  bills: { type: "string" },
  from: { type: "string" },
  to: { type: "string" },
  basis: { type: "string" },
  array: { type: "string" },
  goal: { type: "string" },
  reading: { type: "string" },
  date: { type: "string" },
  price: { type: "string" },
  "price-rise": { type: "string" },
  case: { type: "string" },
  with: { type: "string" },
  rate: { type: "string" },
  years: { type: "string" },
  principal: { type: "string" },
  module: { type: "string" },
  modules: { type: "string" },
  inputs: { type: "string" },
  strings: { type: "string" },
  loads: { type: "string" },
  a: { type: "string" },
  b: { type: "string" },
  on: { type: "string" },
  meter: { type: "string" },
  days: { type: "string" },
  "weather-zone": { type: "string" },
  "weather-labels": { type: "string" },
  "weather-year": { type: "string" },
  "production-zone": { type: "string" },
  "production-labels": { type: "string" },
  "production-unit": { type: "string" },
  "production-dates": { type: "string" },
  "weather-dates": { type: "string" },
  "weather-unit": { type: "string" },
  "fiscal-years": { type: "string" },
  map: { type: "string" },
  accept: { type: "string" },
  conflicts: { type: "string" },
  json: { type: "boolean" },
  help: { type: "boolean" },
} as const;

export type CliOptions = { readonly [K in keyof typeof OPTIONS]?: (typeof OPTIONS)[K]["type"] extends "boolean" ? boolean : string };

/** The command and its options; an unknown option is refused by name. */
export function readArguments(argv: readonly string[]): { command: string; name: string | undefined; options: CliOptions } {
  try {
    const { values, positionals } = parseArgs({ args: [...argv], options: OPTIONS, allowPositionals: true });
    return { command: positionals[0] ?? "help", name: positionals[1], options: values };
  } catch (error) {
    throw new CliRefusal(error instanceof Error ? error.message : String(error));
  }
}

/** An option's value, which must be one of a few words. */
export function oneOf<T extends string>(value: string | undefined, words: readonly T[], fallback: T, option: string): T {
  if (value === undefined) return fallback;
  if ((words as readonly string[]).includes(value)) return value as T;
  throw new CliRefusal(`--${option} ${value}: expected one of ${words.join(", ")}.`);
}

export function needed(value: string | undefined, option: string, what: string): string {
  if (value !== undefined) return value;
  throw new CliRefusal(`--${option} is missing: ${what}.`);
}
