import { say } from "@/wording/cli";
import { CliRefusal } from "./refuse";

export type { CliOptions } from "./options";

/** An option's value, which must be one of a few words. */
export function oneOf<T extends string>(value: string | undefined, words: readonly T[], fallback: T, option: string): T {
  if (value === undefined) return fallback;
  if ((words as readonly string[]).includes(value)) return value as T;
  throw new CliRefusal(say.expectedOneOf(option, value, words.join(", ")));
}

export function needed(value: string | undefined, option: string, what: string): string {
  if (value !== undefined) return value;
  throw new CliRefusal(`--${option} is missing: ${what}.`);
}
