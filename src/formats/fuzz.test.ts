import { fuzzers } from "@test/fuzz/parsers";
import { describe, it } from "vitest";

/** A few of the inputs that the nightly script tries by the thousand (npm run fuzz). */
const RUNS = 60;

describe("a parser never crashes, hangs, or drops rows without a word", () => {
  it.each(fuzzers)("$name", async ({ check }) => check(RUNS), 60_000);
});
