import { clearWeather, hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import type { LedgerSources } from "@/contracts/ledger";
import { problemCodes } from "@/contracts/problems";
import { modelChoices } from "@/contracts/site";
import { LEDGER_ACCOUNTS, MODEL_ACCOUNTS } from "@/core/accounts";
import { ledgerLines, meteredOnto, totalLine } from "@/core/ledger";
import { monthBins } from "@/core/time";
import { expectedUncertainty, runYield, typicalYear, yieldLines, yieldSum } from "@/core/yield";
import { STAGE_NAMES } from "../accounts";
import { number, percent } from "../format";
import { inPlainText, placeInWords, wordingOf } from "../problems";
import * as found from "./found-workings";
import * as workings from "./ledger-workings";
import { SOURCES, stageMethod } from "./stage-methods";
import { differenceWorking, removalWorking, triedWorking, typicalWorking, uncertaintyWorking } from "./yield-workings";

const plant = site();
const axis = hours("2023-01-01T00:00Z", 8760);
const run = runYield(plant, clearWeather(axis, plant.place), monthBins(axis, "UTC"));
const metered = meteredOnto(
  axis,
  [{ meterId: "main", quantity: "energy_kwh", axis, values: run.expectedKwh.map((kwh) => kwh * 0.95) }],
  plant,
);
const line = totalLine("2023", ledgerLines(run, metered, null));
const sources: LedgerSources = {
  weatherStepMinutes: 60,
  weatherColumns: ["ghi_w_m2"],
  assumedColumns: ["wind_speed_m_s"],
  meterIds: ["main"],
  caughtUpRows: 2,
  impossibleRows: 1,
  firstUtc: null,
  lastUtc: null,
};
const context = { site: plant, sources, promiseFrom: null };

describe("every figure's working", () => {
  it("of every account has a formula, a source, its inputs and the reading it is", () => {
    for (const account of LEDGER_ACCOUNTS) {
      const working = found.foundWorking(line, account, context);
      expect(working.formula, account).not.toBe("");
      expect(working.source, account).not.toBe("");
      expect(working.inputs.length, account).toBeGreaterThan(0);
      expect(working.unit).toBe("kWh");
    }
  });

  it("of the expected energy names every posting that is not nothing, and they add up", () => {
    const { inputs } = workings.expectedWorking(line, context);
    const named = MODEL_ACCOUNTS.filter((account) => line.accountsKwh[account] !== 0);
    expect(inputs.map((input) => input.name)).toEqual(["Reference", ...named.map((account) => `− ${STAGE_NAMES[account]}`)]);
    expect(named.reduce((left, account) => left - line.accountsKwh[account], line.referenceKwh)).toBeCloseTo(line.expectedKwh, 6);
  });

  it("of the meter tells of rows that were spread or set aside", () => {
    const { assumptions } = workings.meteredWorking(line, context);
    expect(assumptions.join(" ")).toMatch(/2 rows .* spread over its gap.*1 rows? .* taken as gaps/s);
  });

  it("says what was assumed where no wind was measured", () => {
    expect(workings.referenceWorking(line, context).assumptions.join(" ")).toContain("No wind was measured: 2.2 m/s");
  });

  it("follows the methods of the book", () => {
    const perez = { ...context, site: site({ models: { transposition: "perez", cellTemperature: "ross", inverter: "constant" } }) };
    expect(workings.planeWorking(line, perez).source).toContain("Perez et al., 1990");
    expect(stageMethod("temperature", perez.site).formula).toContain("NOCT");
    expect(stageMethod("inverter", perez.site).formula).not.toContain("night");
    expect(stageMethod("soiling", site({ models: { soiling: "build-up" } })).source).toContain("Kimber");
  });

  it("has a source for every method that a book can choose", () => {
    for (const [stage, choices] of Object.entries(modelChoices)) {
      for (const choice of choices)
        expect((SOURCES as Record<string, Record<string, string>>)[stage]![choice], `${stage} ${choice}`).toBeTruthy();
    }
  });

  it("of an interval lists its parts, and the whole as their root sum of squares", () => {
    const uncertainty = expectedUncertainty(plant, { inPlane: false, ageYears: 3, assumed: { air: false, wind: false }, months: 12 });
    const working = uncertaintyWorking(uncertainty, 10_000);
    expect(working.inputs).toHaveLength(uncertainty.parts.length + 2);
    expect(working.value).toBe(`± ${number(uncertainty.halfWidth90Frac * 10_000)}`);
    expect(typicalWorking(typicalYear([900, 1000], uncertainty)!).inputs.at(-1)).toMatchObject({
      name: "Year to year",
      from: "scatter of 2 years",
    });
  });

  it("of a gain if removed says that it is the figure for decisions", () => {
    expect(removalWorking("soiling", 12.34, 1000)).toMatchObject({ title: "Without soiling", value: "12.3" });
  });

  it("of a site as somebody might change it lists the reference and every account that cost something", () => {
    const year = yieldSum("2023", yieldLines(run));
    const { inputs, value } = triedWorking(year, "2023, with tilt 20°", plant);
    const paying = MODEL_ACCOUNTS.filter((account) => year.accountsKwh[account] !== 0);
    expect(inputs.slice(1).map(({ name }) => name)).toEqual(paying.map((account) => `\u2212 ${STAGE_NAMES[account]}`));
    const posted = paying.reduce((sum, account) => sum + year.accountsKwh[account], 0);
    expect(year.referenceKwh - posted).toBeCloseTo(year.expectedKwh, 6);
    expect(value).toBe(number(year.expectedKwh, 0));
  });

  it("of a difference names both runs and gives kilowatt-hours and share", () => {
    const { value, formula, inputs } = differenceWorking("Turned", { name: "Turned", kwh: 9000 }, { name: "As built", kwh: 12000 });
    expect(value).toBe(`${number(-3000, 0)} (${percent(-0.25, 2)})`);
    expect(formula).toBe("Turned \u2212 As built");
    expect(inputs.map((input) => input.value)).toEqual([`${number(9000, 0)} kWh`, `${number(12000, 0)} kWh`]);
  });
});

describe("the catalogue of findings", () => {
  const facts = {
    columns: "a",
    expected: "what was expected",
    remedy: "what to do",
    path: "p",
    message: "m",
    zone: "UTC",
    minutes: 5,
    name: "n",
    on: "d",
    meter: "x",
    known: "y",
  };
  it("has for every finding what it is, what was expected, and what to do", () => {
    for (const code of problemCodes) {
      const { what, expected, remedy } = wordingOf({ code, severity: "error", count: 3, places: [], facts });
      for (const part of [what, expected, remedy]) expect(part.length, code).toBeGreaterThan(3);
    }
  });

  it("says one row and many rows as people do", () => {
    const told = (count: number) => wordingOf({ code: "short-row", severity: "error", count, places: [], facts: {} }).what;
    expect(told(1)).toBe("1 row has fewer cells than the header.");
    expect(told(1200)).toBe("1\u202f200 rows have fewer cells than the header.");
  });

  it("names places with row, column and value, and counts those it leaves out", () => {
    expect(placeInWords({ row: 412, column: "energy_kwh", value: "-3.2" })).toBe("row 412, energy_kwh: -3.2");
    expect(placeInWords({ column: "time", value: "" })).toBe("time: (empty)");
    const places = Array.from({ length: 9 }, (_, k) => ({ row: k + 2 }));
    expect(inPlainText({ code: "short-row", severity: "error", count: 40, places, facts: {} })).toContain(
      "row 2; row 3; row 4; row 5; row 6 and 35 more",
    );
  });
});
