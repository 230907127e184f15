import { clearWeather, hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import type { DayReport, LedgerSources } from "@/contracts/ledger";
import { ledgerLines, type MeterSeries, meteredOnto, totalLine } from "@/core/ledger";
import { monthBins } from "@/core/time";
import { runYield } from "@/core/yield";
import { type DayFigure, dayWorking } from "./day-workings";
import { healthWorking } from "./health-working";
import * as workings from "./ledger-workings";
import type { Working } from "./working";

const plant = site({ models: { subHourlyClipping: "corrected" } });
const axis = hours("2023-01-01T00:00Z", 8760);
const run = runYield(plant, clearWeather(axis, plant.place), monthBins(axis, "UTC"));
// The logger lost August.
const isLost = (i: number): boolean => new Date(axis.startUtcMs + i * 3_600_000).getUTCMonth() === 7;
const meter: MeterSeries = {
  meterId: "main",
  quantity: "energy_kwh",
  axis,
  values: run.expectedKwh.map((kwh, i) => (isLost(i) ? Number.NaN : kwh * 0.95)),
};
const lines = ledgerLines(run, meteredOnto(axis, [meter], plant), null);
const [year, june, august] = [totalLine("2023", lines), lines[5]!, lines[7]!];
const sources: LedgerSources = {
  weatherStepMinutes: 60,
  weatherColumns: ["ghi_w_m2"],
  assumedColumns: [],
  meterIds: ["main"],
  caughtUpRows: 0,
  impossibleRows: 0,
  firstUtc: null,
  lastUtc: null,
};
const context: workings.LedgerContext = { site: plant, sources, promiseFrom: "import" };

const figure = (text: string): number => Number(text.replaceAll(/[^\d.−-]/g, "").replaceAll("−", "-"));
const inputOf = (working: Working, name: string): number => figure(working.inputs.find((each) => each.name === name)!.value);
/** As many tenths as rounded figures of a sum may be off together. */
const near = (a: number, b: number, off = 2): void => void expect(Math.abs(a - b)).toBeLessThanOrEqual(off);

describe("workings of a ledger's line", () => {
  it.each([
    ["a month", june],
    ["an unread month", august],
    ["a year", year],
  ])("can be done again by their inputs: %s", (_, line) => {
    const difference = workings.differenceWorking(line, context);
    near(figure(difference.value), inputOf(difference, "Metered, with weather beside it") - inputOf(difference, "Expected"));
    near(figure(difference.value), -(inputOf(difference, "Of it unread") + inputOf(difference, "Of it remainder")));
    const remainder = workings.unexplainedWorking(line, context);
    near(
      line.unexplainedKwh! < 0 ? -figure(remainder.value) : figure(remainder.value),
      inputOf(remainder, "Expected") -
        inputOf(remainder, "Unread") -
        (inputOf(remainder, "Metered") - inputOf(remainder, "Metered without weather")),
    );
    const unread = workings.dataGapWorking(line, context);
    near(figure(unread.value), inputOf(unread, "Expected") * (1 - inputOf(unread, "Read") / 100), 0.001 * line.expectedKwh + 1);
  });

  it("call what is over over, and what is missing missing", () => {
    expect(workings.unexplainedWorking(june, context).title).toMatch(/^Remainder, missing, June 2023/);
    const over = { ...june, unexplainedKwh: -12 };
    expect(workings.unexplainedWorking(over, context)).toMatchObject({ title: expect.stringMatching(/^Remainder, over/) as string });
  });

  it("set metered ÷ expected as a ratio of the sums that they show", () => {
    const metered = workings.performanceIndexWorking(year, context);
    const again = inputOf(metered, "Metered") / inputOf(metered, "Expected of the time read");
    near(figure(metered.value) / 100, again, 0.001);
    near(figure(metered.value), 95, 0.1);
  });

  it("say where a promise comes from", () => {
    const promised = { ...june, promiseKwh: 1234 };
    expect(workings.promiseWorking(promised, context).inputs[0]!.from).toBe("imported promise file");
    expect(workings.promiseWorking(promised, { ...context, promiseFrom: "site" }).inputs[0]!.from).toContain("site chapter");
  });

  it("name the unit once where shares of longer spans are counted", () => {
    const text = workings.meteredWorking({ ...june, splitKwh: 321 }, context).assumptions.join(" ");
    expect(text).toMatch(/321(\.\d)? kWh of it are shares/);
    expect(text).not.toContain("kWh kWh");
    expect(workings.meteredWorking(june, context).assumptions.join(" ")).not.toContain("shares of longer spans");
  });

  it("tell which accounts the evidence posts, and how a ceiling is read then", () => {
    const read = { ...context, isEvidence: true };
    const assumed = (account: "clipping" | "temperature" | "soiling", own: workings.LedgerContext): string =>
      workings.accountWorking(year, account, own).assumptions.join(" ");
    expect(assumed("soiling", read)).toContain("Posted by evidence");
    expect(assumed("temperature", read)).not.toContain("Posted by evidence");
    expect(assumed("soiling", context)).not.toContain("Posted by evidence");
    expect(assumed("clipping", read)).toContain("readings that lay on it");
    expect(assumed("clipping", context)).toContain("Hourly means hide short peaks");
    expect(assumed("clipping", context)).not.toContain("readings that lay on it");
    expect(workings.expectedWorking(year, read).title).toMatch(/^Explained/);
  });

  it("speak of light that was filled by rule only where some was", () => {
    const filled = { ...year, filledReferenceKwh: 210 };
    expect(workings.referenceWorking(filled, context).assumptions.join(" ")).toContain("filled by rule");
    expect(workings.referenceWorking(year, context).assumptions.join(" ")).not.toContain("filled by rule");
  });
});

describe("workings of a day", () => {
  const day = {
    date: "2023-06-21",
    timeZone: "Europe/Madrid",
    line: { ...june, expectedKwh: 50.25, meteredKwh: 47.5, dataGapKwh: 1.005, readFrac: 0.98 },
    expected: { stepMinutes: 60, kw: [null, 1, 2, null] },
    metered: { stepMinutes: 15, kw: [0, 1, null, 2] },
  } as unknown as DayReport;

  it("hold metered less expected as the difference, and count what stands", () => {
    const value = (name: DayFigure): number => figure(dayWorking(day, name).value);
    expect(value("Difference")).toBeCloseTo(value("Metered") - value("Expected"), 9);
    expect(value("Read")).toBeCloseTo(100 * (1 - value("Unread") / value("Expected")), 1);
    expect(inputOf(dayWorking(day, "Expected"), "Expected intervals")).toBe(2);
    expect(inputOf(dayWorking(day, "Expected"), "Readings")).toBe(3);
    expect(dayWorking(day, "Read").unit).toBe("");
  });

  it("are nothing where nothing stands", () => {
    expect(figure(dayWorking({ ...day, line: null }, "Difference").value)).toBe(0);
  });
});

describe("the working of a health check", () => {
  const side = { measureKwh: 812.5 } as Parameters<typeof healthWorking>[1];
  const span = { from: "2023-03-01", to: "2023-03-21" };
  const days = Array.from({ length: 31 }, (_, d) => `2023-03-${String(d + 1).padStart(2, "0")}`).filter((_, d) => d % 2 === 0);

  it("counts days by the calendar, and those with weather among them", () => {
    const working = healthWorking("expected", side, 800, span, { days, commissioned: null });
    expect(inputOf(working, "days")).toBe(20);
    expect(working.inputs.find(({ name }) => name === "days with weather")!.value).toMatch(/^10 /);
    expect(working.inputs[0]!.from).toBe("chosen here");
  });

  it("says when it is reckoned from the first day in the field, and by the promise needs no weather", () => {
    const working = healthWorking("promise", side, 800, span, { days: [], commissioned: "2023-03-01" });
    expect(working.inputs[0]!.from).toContain("commissioning");
    expect(working.inputs.map(({ name }) => name)).not.toContain("days with weather");
    expect(figure(working.value)).toBe(812.5);
  });
});
