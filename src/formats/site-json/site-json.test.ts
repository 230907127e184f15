import { readFileSync } from "node:fs";
import path from "node:path";
import { projectRoot } from "@test/paths";
import { siteInput } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { published } from "@/contracts/published";
import { inPlainText } from "@/wording/problems";
import { parseSite, parseSiteText } from ".";

function refusal(parts: object): string {
  const reading = parseSite({ ...siteInput(), ...parts });
  if (reading.ok) throw new Error("was accepted");
  return reading.problems.map(inPlainText).join("\n");
}

describe("a site document", () => {
  it("fills every default that the format documents", () => {
    const reading = parseSite(siteInput());
    expect(reading.ok && reading.document).toMatchObject({
      albedo: 0.2,
      currency: "EUR",
      losses: { soilingFrac: 0.02 },
      ageing: { perYearFrac: 0.005 },
      models: { reflection: "martin-ruiz" },
    });
  });

  const cases: [string, object, RegExp][] = [
    ["an unknown field", { colour: "red" }, /document: unknown “colour”/],
    [
      "a tilt of 140",
      { arrays: [{ id: "a", module: "m", count: 1, tiltDeg: 140, azimuthDeg: 0 }] },
      /arrays\.0\.tiltDeg.*140.*measured from horizontal/s,
    ],
    ["a latitude of 95", { place: { latitudeDeg: 95, longitudeDeg: 0 } }, /place\.latitudeDeg.*95.*between -90 and 90/s],
    [
      "a positive power coefficient",
      { modules: { m: { pmpW: 400, gammaPmpPerK: 0.0036 } } },
      /modules\.m\.gammaPmpPerK.*0\.0036.*negative/s,
    ],
    ["an azimuth of 360", { arrays: [{ id: "a", module: "m", count: 1, tiltDeg: 1, azimuthDeg: 360 }] }, /under 360/],
    ["an unknown time zone", { place: { latitudeDeg: 1, longitudeDeg: 0, timeZone: "Middle/Nowhere" } }, /IANA/],
    [
      "an array of no module",
      { arrays: [{ id: "a", module: "x", count: 1, tiltDeg: 1, azimuthDeg: 1 }] },
      /arrays\.0\.module.*"x".*there are m/s,
    ],
    ["an inverter on no array", { inverters: [{ id: "i", arrays: ["z"], acRatedW: 1000 }] }, /names array "z"/],
    ["percent where a share belongs", { losses: { soilingFrac: 2 } }, /write 2 % as 0\.02/],
    ["money as a number", { money: { costs: [{ on: "2020-01-01", amount: 61000 }] } }, /money\.costs\.0\.amount/],
    [
      "an end of the export price without a beginning",
      { commissioned: null, money: { tariff: { importPerKwh: "0.3", exportUntil: "2030-01-01" } } },
      /money\.tariff\.exportUntil.*commissioning: write that day/s,
    ],
    [
      "a price after an export price without an end",
      { money: { tariff: { importPerKwh: "0.3", exportThenPerKwh: "0.02" } } },
      /exportThenPerKwh.*needs the day/s,
    ],
    ["a promise of eleven months", { promise: { monthlyKwh: new Array(11).fill(1) } }, /twelve months/],
    ["another format", { format: "something-else" }, /dusty-ledger\/site/],
    [
      "a revision that breaks the site",
      { revisions: [{ from: "2021-01-01", change: { arrays: [{ id: "a", tiltDeg: 140 }] } }] },
      /revisions\.0\.change\.arrays\.0\.tiltDeg/,
    ],
  ];
  for (const [name, parts, message] of cases) {
    it(`with ${name} is refused with place and way out`, () => expect(refusal(parts)).toMatch(message));
  }

  it("that is no JSON is refused with the place of the fault", () => {
    const reading = parseSiteText('{ "format": ');
    expect(!reading.ok && reading.problems[0]?.code).toBe("site-json");
    expect(!parseSiteText("").ok).toBe(true);
  });

  it("survives being written and read again", () => {
    const first = parseSite(siteInput());
    const again = first.ok && parseSiteText(JSON.stringify(first.document));
    expect(again).toEqual(first);
  });
});

describe("the published schemas", () => {
  it("are those of the contracts (npm run schemas)", () => {
    for (const { file, schema } of published()) {
      const written = readFileSync(path.join(projectRoot, "docs", "formats", file), "utf8");
      expect(JSON.parse(written), file).toEqual(JSON.parse(JSON.stringify(schema)));
    }
  });
});

describe("a datasheet that contradicts itself", () => {
  it("is questioned by field", () => {
    expect(refusal({ modules: { m: { pmpW: 400, vocV: 41, vmpV: 49 } } })).toMatch(
      /modules\.m\.vmpV is 49: .*under the open-circuit voltage/,
    );
    expect(refusal({ modules: { m: { pmpW: 400, iscA: 9.8, impA: 10.3 } } })).toMatch(/modules\.m\.impA is 10\.3/);
    expect(refusal({ modules: { m: { pmpW: 420, vmpV: 41, impA: 9.76 } } })).toMatch(/impA × vmpV is 400\.2 W, more than 3 % off/);
  });
});
