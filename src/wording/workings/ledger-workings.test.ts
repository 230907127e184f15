import { clearWeather, hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import type { DayReport, LedgerSources } from "@/contracts/ledger";
import { ledgerLines, lineWithFound, type MeterSeries, meteredOnto, NOTHING_FOUND, totalLine } from "@/core/ledger";
import { monthBins } from "@/core/time";
import { runYield } from "@/core/yield";
import { type DayFigure, dayWorking } from "./day-workings";
import * as besides from "./found-workings";
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
const planned = ledgerLines(run, meteredOnto(axis, [meter], plant), null);
/** June's dirt, an outage and a gain, as a search would have found them. */
const lines = planned.map((line) =>
  lineWithFound(line, { ...NOTHING_FOUND, ...(line.key === "2023-06" ? { soiling: 40, downtime: 25, ageing: -9 } : {}) }),
);
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
    const left = workings.unexplainedWorking(line, context);
    near(
      line.unexplainedKwh! < 0 ? -figure(left.value) : figure(left.value),
      inputOf(left, "Expected") -
        inputOf(left, "Losses found") -
        inputOf(left, "Data gap") -
        (inputOf(left, "Metered") - inputOf(left, "Metered without weather")),
      3,
    );
    const gap = workings.dataGapWorking(line, context);
    near(figure(gap.value), inputOf(gap, "Expected") * (1 - inputOf(gap, "Data availability") / 100), 0.001 * line.expectedKwh + 1);
    const found = besides.foundSumWorking(line, context);
    near(
      figure(found.value),
      found.inputs.reduce((sum, { value }) => sum + figure(value), 0),
      3,
    );
  });

  it("call what is over over, and what is missing short", () => {
    expect(workings.unexplainedWorking(june, context).title).toMatch(/^Unexplained, short, June 2023/);
    const over = { ...june, unexplainedKwh: -12 };
    expect(workings.unexplainedWorking(over, context)).toMatchObject({ title: expect.stringMatching(/^Unexplained, over/) as string });
  });

  it("say that causes were not sought, instead of nothing found", () => {
    const input = (isSought: boolean) =>
      workings.unexplainedWorking({ ...june, isSought }, context).inputs.find(({ name }) => name === "Losses found")!.value;
    expect([input(false), input(true)]).toEqual(["not sought yet", expect.stringContaining("kWh")]);
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

  it("of a design loss speak of the plan, of a loss found of the evidence beside it", () => {
    expect(besides.designWorking(year, "soiling", context).title).toMatch(/^Soiling, as planned/);
    expect(besides.designWorking(year, "clipping", context).assumptions.join(" ")).toContain("Hourly means hide short peaks");
    const found = besides.foundWorking(year, "soiling", context);
    expect(found.title).toMatch(/^Soiling, found/);
    expect(figure(found.value)).toBeCloseTo(40, 0);
    expect(inputOf(found, "Planned here")).toBeGreaterThan(0);
    expect(besides.foundWorking(year, "strings", context).inputs.map(({ name }) => name)).not.toContain("Planned here");
    expect(workings.expectedWorking(year, context).title).toMatch(/^Expected/);
  });

  it("of money is the loss times the price that is said", () => {
    const worth = besides.foundWorthWorking(year, "soiling", 0.25, context);
    expect(figure(worth.value)).toBeCloseTo(0.25 * 40, 0);
    expect(worth.unit).toBe(plant.currency);
    const all = besides.avoidableWorthWorking(year, 0.25, context);
    near(figure(all.value), 0.25 * (40 + 25), 1);
  });

  it("of a share of the reference is its energy over the reference", () => {
    for (const share of [besides.designShareWorking(year, "soiling", context), besides.expectedShareWorking(year, context)]) {
      const [part, reference] = share.inputs.map(({ value }) => figure(value)) as [number, number];
      near(figure(share.value), (100 * part) / reference, 0.2);
    }
  });

  it("of metered energy without weather says why it stands beside the account", () => {
    const working = workings.unmatchedWorking({ ...year, unmatchedKwh: 12 }, context);
    near(figure(working.value), 12, 0.1);
    expect(working.assumptions.join(" ")).toContain("Nothing is expected of this time");
  });

  it("of what can be had back names what it is the sum of", () => {
    const { value, inputs } = besides.avoidableWorking(year, context);
    expect(inputs.map(({ name }) => name)).toEqual(["Soiling", "Outage"]);
    near(figure(value), 40 + 25, 1);
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
    expect(value("Data availability")).toBeCloseTo(100 * (1 - value("Data gap") / value("Expected")), 1);
    expect(inputOf(dayWorking(day, "Expected"), "Expected intervals")).toBe(2);
    expect(inputOf(dayWorking(day, "Expected"), "Readings")).toBe(3);
    expect(dayWorking(day, "Data availability").unit).toBe("");
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
