import { readFileSync } from "node:fs";
import path from "node:path";
import { expect } from "vitest";

export interface VectorCase<I, E> {
  id: string;
  kind?: string;
  note?: string;
  conventionSensitive?: string | boolean;
  input: I;
  expected: E;
}

/** The vectors of one topic of `test/reference`, made by an independent implementation. */
export function referenceCases<I, E>(topic: string, kind?: string): VectorCase<I, E>[] {
  const file = path.join(import.meta.dirname, "reference", `${topic}.json`);
  const { cases } = JSON.parse(readFileSync(file, "utf8")) as { cases: VectorCase<I, E>[] };
  return kind ? cases.filter((c) => c.kind === kind) : cases;
}

/** Asserts |actual - expected| <= absolute + relative |expected|; null expects NaN. */
export function expectNear(
  actual: number,
  expected: number | null,
  tolerance: { absolute?: number; relative?: number },
  label: string,
): void {
  if (expected === null) {
    expect(actual, label).toBeNaN();
    return;
  }
  const allowed = (tolerance.absolute ?? 0) + (tolerance.relative ?? 0) * Math.abs(expected);
  expect(Math.abs(actual - expected), `${label}: ${actual} against ${expected}`).toBeLessThanOrEqual(allowed);
}
