import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { importOptionsSchema } from "@/contracts/imports";
import { energyKwh, type ProductionQuantity, sniffNumbers, toNumber } from "@/core/readings";
import { type Inspection, inspectFile, joinPages } from "@/usecases/imports";
import { inPlainText } from "@/wording/problems";
import { readForeignTime } from ".";

const plant = site({
  meters: [
    { id: "main", point: "ac", arrays: ["a"] },
    { id: "roof", point: "ac", arrays: ["a"] },
  ],
});

const inspect = (text: string | Uint8Array, options: object = {}): Promise<Inspection> => {
  const bytes = typeof text === "string" ? new TextEncoder().encode(text) : text;
  return inspectFile(
    async function* () {
      yield bytes;
    },
    plant,
    importOptionsSchema.parse(options),
  );
};
const sums = (found: Inspection): number[] =>
  found.series.map((pages) => {
    const { values, axis } = joinPages(pages)!;
    const kwh = energyKwh(values, pages.quantity as ProductionQuantity, axis.stepMinutes);
    return Math.round(kwh.reduce((sum, value) => sum + (Number.isNaN(value) ? 0 : value), 0) * 1000) / 1000;
  });
const errors = (found: Inspection): string[] => found.problems.filter(({ severity }) => severity === "error").map(({ code }) => code);

/** Two days of quarter-hours as a logger might write them: a cell a time, by a writer of time and value. */
const rows = (
  time: (day: number, hour: number, minute: number) => string,
  value: (kwh: number, at: number) => string,
  separator: string,
): string[] =>
  Array.from({ length: 192 }, (_, i) => {
    const [day, hour, minute] = [1 + Math.floor(i / 96), Math.floor((i % 96) / 4), (i % 4) * 15];
    const kwh = Math.max(0, Math.sin(((hour + minute / 60 - 6) / 12) * Math.PI));
    return `${time(day, hour, minute)}${separator}${value(kwh, i)}`;
  });
const two = (n: number): string => String(n).padStart(2, "0");
const TOTAL = 61.101;

describe("a foreign table", () => {
  const dmy = (d: number, h: number, m: number): string => `${two(d + 12)}.06.2023 ${two(h)}:${two(m)}`;
  const cases: [string, string, object?][] = [
    [
      "with semicolons, decimal commas and days first",
      ["Datum;Ertrag (kWh)", ...rows(dmy, (kwh) => kwh.toFixed(6).replace(".", ","), ";")].join("\n"),
    ],
    [
      "of a logger that wrote its times before it was read",
      ["Timestamp,Power AC [W]", "12.06.2023 23:30,", "12.06.2023 23:45,", ...rows(dmy, (kwh) => String(kwh * 4000), ",")].join("\n"),
    ],
    ["in watts", ["Timestamp,Power AC [W]", ...rows(dmy, (kwh) => String(kwh * 4000), ",")].join("\n")],
    [
      "in kilowatts under two header rows and a preamble",
      ["Logger 17", "exported by hand", "Date,Inverter 1", ",P AC kW", ...rows(dmy, (kwh) => String(kwh * 4), ",")].join("\n"),
    ],
    ["with a row of units", ["Time\tEnergy\tState", "\tkWh\t", ...rows(dmy, (kwh) => `${kwh}\tok`, "\t")].join("\n")],
    [
      "in watt-hours with thousands marks and a total",
      ["Zeit;Energie Wh", ...rows(dmy, (kwh) => Math.round(kwh * 1000).toLocaleString("de"), ";"), "Summe;61.101"].join("\n"),
    ],
    [
      "with date and time of day apart",
      ["Day,Clock,Yield kWh", ...rows((d, h, m) => `${d + 12}/06/2023,${two(h)}:${two(m)}`, String, ",")].join("\n"),
    ],
    [
      "month first, with a.m. and p.m.",
      [
        "Date/Time,Energy (kWh)",
        ...rows((d, h, m) => `06/${d + 12}/2023 ${h % 12 === 0 ? 12 : h % 12}:${two(m)} ${h < 12 ? "AM" : "PM"}`, String, ","),
      ].join("\n"),
    ],
    [
      "of seconds since 1970",
      ["ts|energy_kwh", ...rows((d, h, m) => String(Date.UTC(2023, 5, d + 12, h, m) / 1000), String, "|")].join("\n"),
    ],
    ["of two devices that add up", ["Time,Inv A kWh,Inv B kWh", ...rows(dmy, (kwh) => `${kwh / 4},${(kwh * 3) / 4}`, ",")].join("\n")],
    ["with a column a day", wide("day")],
    ["with a column a time of day", wide("time")],
    [
      "whose header comes again",
      ["Time,Energy kWh", ...rows(dmy, String, ",").slice(0, 96), "Time,Energy kWh", ...rows(dmy, String, ",").slice(96)].join("\r\n"),
    ],
  ];
  for (const [name, text, options] of cases) {
    it(`${name} is read to the last watt-hour`, async () => {
      const found = await inspect(text, { zone: "Europe/Madrid", ...options });
      expect(errors(found), found.problems.map(inPlainText).join("\n")).toEqual([]);
      expect(sums(found)[0]).toBeCloseTo(TOTAL, 1);
      expect(joinPages(found.series[0]!)!.axis.stepMinutes).toBe(15);
    });
  }

  function wide(across: "day" | "time"): string {
    const days = ["13.06.2023", "14.06.2023", "15.06.2023", "16.06.2023"];
    const clocks = Array.from({ length: 96 }, (_, i) => `${two(Math.floor(i / 4))}:${two((i % 4) * 15)}`);
    const value = (i: number, d: number): string => String(d < 2 ? Math.max(0, Math.sin(((i / 4 - 6) / 12) * Math.PI)) : 0);
    return across === "day"
      ? [`kWh,${days.join(",")}`, ...clocks.map((clock, i) => `${clock},${days.map((_, d) => value(i, d)).join(",")}`)].join("\n")
      : [`kWh,${clocks.join(",")}`, ...days.map((day, d) => `${day},${clocks.map((_, i) => value(i, d)).join(",")}`)].join("\n");
  }

  it("that never falls is a counter, and its steps are the energy", async () => {
    let counter = 5000;
    const found = await inspect(
      [
        "Time,Energy kWh",
        ...rows(
          dmy,
          (kwh) => {
            counter += kwh;
            return String(counter);
          },
          ",",
        ),
      ].join("\n"),
      {
        zone: "Europe/Madrid",
      },
    );
    expect(found.file!.columns[0]!.quantity).toBe("counter_kwh");
    expect(sums(found)[0]).toBeCloseTo(TOTAL, 0);
  });

  it("whose column says nothing is asked about, with choices, and read once answered", async () => {
    const text = ["when,reading", ...rows(dmy, String, ",")].join("\n");
    const asked = await inspect(text, { zone: "Europe/Madrid" });
    expect(errors(asked)).toEqual(["mapping-unsure"]);
    expect(inPlainText(asked.problems[0]!)).toMatch(/“reading”.*energy of the interval, kWh.*mean power, W/s);
    const columns = await inspect(text, { zone: "Europe/Madrid", answers: { quantity: "power_kw" } });
    expect([errors(columns), Math.round(sums(columns)[0]! * 4)]).toEqual([[], 61]);
  });

  it("settles day and month by the rhythm of the rows, and asks where both are even", async () => {
    const clear = await inspect(["day,energy kwh", ...Array.from({ length: 9 }, (_, k) => `0${k + 1}/04/2024,5`)].join("\n"));
    expect(clear.sparse.spans[0]!.fromUtcMs).toBe(Date.parse("2024-04-01T00:00+02:00"));
    const unclear = await inspect("day,energy kwh\n03/04/2024,5");
    expect(unclear.problems.find(({ code }) => code === "mapping-unsure")?.facts.id).toBe("date-order");
    const answered = await inspect("day,energy kwh\n03/04/2024,5\n04/04/2024,6", { answers: { "date-order": "mdy" } });
    // A month apart, so months: the whole of March.
    expect(answered.sparse.spans[0]!.fromUtcMs).toBe(Date.parse("2024-03-01T00:00+01:00"));
  });

  it("of months by fiscal year is put into the years that the plant allows", async () => {
    const months = ["Jul", "Aug", "Sep", "Oct", "Nov", "Dec", "Jan", "Feb", "Mar", "Apr", "May", "Jun"];
    const found = await inspect(
      [`FY,${months.join(",")},total`, `FY2020,,,,,,,10,11,12,13,14,15,75`, `FY2021,${months.map((_, k) => k).join(",")},66`].join("\n"),
    );
    expect(found.sparse.spans).toHaveLength(18);
    expect(found.sparse.spans[0]).toMatchObject({ kwh: 10, fromUtcMs: Date.parse("2020-01-01T00:00+01:00") });
    expect(found.energyKwh).toBe(141);
  });

  it("of hand-read counters keeps each reading at its instant", async () => {
    const found = await inspect("read on;counter kWh\n03.05.2024 18:30;10 482\n17.05.2024 07:10;10 611\n", {});
    expect(found.sparse.counters).toEqual([
      { meterId: "main", atUtcMs: Date.parse("2024-05-03T18:30+02:00"), kwh: 10_482 },
      { meterId: "main", atUtcMs: Date.parse("2024-05-17T07:10+02:00"), kwh: 10_611 },
    ]);
  });

  it("names its meters by their ids in the header", async () => {
    const found = await inspect(["Time,roof kWh,main kWh", ...rows(dmy, (kwh) => `${kwh},${kwh * 2}`, ",")].join("\n"), {
      zone: "Europe/Madrid",
    });
    expect(found.series.map(({ meterId }) => meterId)).toEqual(["roof", "main"]);
  });

  it("in UTF-16 or Windows-1252 is read, and said", async () => {
    const text = `Zeit;Leistung für Süd kW\n${rows(dmy, (kwh) => (kwh * 4).toFixed(4).replace(".", ","), ";").join("\n")}`;
    const wideBytes = new Uint8Array(Buffer.from(`\ufeff${text}`, "utf16le"));
    const latin = new Uint8Array(Buffer.from(text, "latin1"));
    for (const bytes of [wideBytes, latin]) {
      const found = await inspect(bytes, { zone: "Europe/Madrid" });
      expect([errors(found), found.problems.some(({ code }) => code === "other-encoding")]).toEqual([[], true]);
      expect(sums(found)[0]).toBeCloseTo(TOTAL, 1);
    }
  });
});

describe("decimals and months", () => {
  it("small decimals are no times of day, however a day begins", async () => {
    const days = Array.from(
      { length: 40 },
      (_, k) => `${two((k % 28) + 1)}/${two(1 + Math.floor(k / 28))}/2024,${[4.12, 4.51, 3.33, 0.0, 5.13][k % 5]!.toFixed(2)}`,
    );
    const found = await inspect(["date,kwh", ...days].join("\n"), { answers: { "date-order": "dmy" } });
    expect(errors(found)).toEqual([]);
    expect(found.file!.columns[0]!.header).toBe("kwh");
    expect(found.sparse.spans).toHaveLength(40);
    expect(found.energyKwh).toBeCloseTo(8 * (4.12 + 4.51 + 3.33 + 5.13), 6);
  });

  it("clocks with a point are times of day where they go on evenly", async () => {
    const clock = rows((d, h, m) => `${d + 12}/06/2023,${two(h)}.${two(m)}`, String, ",");
    const found = await inspect(["Day,Clock,Yield kWh", ...clock].join("\n"), { zone: "Europe/Madrid" });
    expect(errors(found)).toEqual([]);
    expect(joinPages(found.series[0]!)!.axis.stepMinutes).toBe(15);
  });

  it("months that name their year are what was metered; those of any year are a promise", async () => {
    const metered = await inspect("month,kwh\n2023-04,423\n2023-05,486\n2023-06,377");
    expect([metered.kind, errors(metered), metered.sparse.spans.map(({ kwh }) => kwh)]).toEqual(["production", [], [423, 486, 377]]);
    const promise = await inspect(
      `month,kwh\n${["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"].map((name) => `${name},100`).join("\n")}`,
    );
    expect(promise.kind).toBe("promise");
  });
});

describe("numbers and times as written", () => {
  it("tell decimal marks from thousands marks, and say when they can't", () => {
    expect(sniffNumbers(["1.234,5", "12,0"])).toMatchObject({ decimal: ",", thousands: ".", unsure: false });
    expect(sniffNumbers(["1,234.5", "12.0"])).toMatchObject({ decimal: ".", thousands: ",", unsure: false });
    expect(sniffNumbers(["0,123", "1,234"])).toMatchObject({ decimal: ",", thousands: "" });
    expect(sniffNumbers(["1,234", "5,678"])).toMatchObject({ unsure: true });
    expect(sniffNumbers(["1 234", "5 678,5"])).toMatchObject({ decimal: ",", thousands: " " });
  });

  it("refuse what is no reading: hexadecimal, infinity, four hundred digits", () => {
    for (const cell of ["0x1F", "Infinity", "1".repeat(400), "1e999x", "12.3.4"])
      expect(toNumber(cell, { decimal: ".", thousands: "" })).toBeNaN();
    expect(toNumber("12,5 kWh", { decimal: ",", thousands: "" })).toBe(12.5);
    expect(toNumber("\u22123.5", { decimal: ".", thousands: "" })).toBe(-3.5);
  });

  it("keep the calendar: no thirtieth of February, a leap day only in leap years", () => {
    expect(readForeignTime("30.02.2024", "dmy")).toBeNull();
    expect(readForeignTime("29.02.2023", "dmy")).toBeNull();
    expect(readForeignTime("29.02.2024", "dmy")?.wallMs).toBe(Date.UTC(2024, 1, 29));
    expect(readForeignTime("2 Mär 2024 14:05", "dmy")?.wallMs).toBe(Date.UTC(2024, 2, 2, 14, 5));
    expect(readForeignTime("12/31/24 11:45 pm", "mdy")?.wallMs).toBe(Date.UTC(2024, 11, 31, 23, 45));
    expect(readForeignTime("31/12/2024", "mdy")).toBeNull();
  });
});
