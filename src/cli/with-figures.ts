import { say } from "@/wording/cli";
import { CliRefusal } from "./refuse";

/** Figures given as `--with a=1,b=2`: known names alone, numbers alone; names with a default may be left out. */
export function withFigures<K extends string>(
  given: string | undefined,
  defaults: Readonly<Record<K, number | null>>,
  needed: readonly NoInfer<K>[],
): Record<K, number | null> {
  const out: Record<K, number | null> = { ...defaults };
  const known = Object.keys(defaults) as K[];
  for (const part of given?.split(",") ?? []) {
    const [name = "", text = ""] = part.split("=").map((piece) => piece.trim());
    const key = known.find((candidate) => candidate.toLowerCase() === name.toLowerCase());
    if (!key) throw new CliRefusal(say.withChooseOneOf2(part, known.join(", ")));
    const value = Number(text);
    if (text === "" || !Number.isFinite(value)) throw new CliRefusal(say.withIsANumberSuchAs(part, key));
    out[key] = value;
  }
  const missing = needed.filter((key) => out[key] === null);
  if (missing.length > 0)
    throw new CliRefusal(`--with lacks ${missing.join(", ")}: write --with ${missing.map((key) => `${key}=…`).join(",")}.`);
  return out;
}
