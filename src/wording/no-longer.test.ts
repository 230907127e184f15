import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import path from "node:path";
import { projectRoot } from "@test/paths";
import { describe, expect, it } from "vitest";

/** Words that once stood for what has another name now; a working analyst meets one term for one thing. */
const NO_LONGER: readonly (readonly [RegExp, string])[] = [
  [/\b[Oo]we[sd]?\b(?! by the sun)/, "expected"],
  [/\b[Pp]aid ÷|÷ paid\b|\bmeter paid\b/, "metered"],
  [/\b[Rr]emainders?\b/, "unexplained"],
  [/\b[Uu]nread\b/, "data gap"],
  [/\b[Bb]y the book\b|\b[Bb]y evidence\b/, "planned, found"],
  [/\b[Uu]sed on the spot\b/, "self-consumed"],
  [/\b[Rr]ating and gain\b/, "module rating and sensor gain"],
  [/\b[Bb]ack if gone\b/, "gained if removed"],
  [/\bby heat, %\/K/, "temp. coefficient"],
  [/\b[Oo]pen coldest\b|\b[Ww]indow (from|to), V/, "Voc at coldest, MPPT range"],
  [/\b[Rr]edraws\b|\bunder doubt\b/, "bootstrap samples"],
  [/\b\d* ?% sure\b/, "confidence"],
  [/\bMay be used, %/, "depth of discharge"],
];

const tracked = execFileSync("git", ["ls-files", "src/wording", "docs", "README.md", "CHANGELOG.md"], {
  cwd: projectRoot,
  encoding: "utf8",
})
  .split("\n")
  .filter((file) => /\.(ts|md|json)$/.test(file) && !/\.test\.ts$/.test(file))
  // What was done in the first edition is told in its words.
  .filter((file) => file !== "CHANGELOG.md");

/** A page's title may be old-fashioned; a label never. */
const TITLES = /Owed by the sun|Paid at the meter/g;

describe("words that are no longer used", () => {
  it.each(tracked)("%s", (file) => {
    const text = readFileSync(path.join(projectRoot, file), "utf8").replaceAll(TITLES, "");
    const found = text
      .split("\n")
      .flatMap((line, k) => NO_LONGER.filter(([old]) => old.test(line)).map(([, now]) => `${k + 1}: ${line.trim().slice(0, 90)} (${now})`));
    expect(found).toEqual([]);
  });
});
