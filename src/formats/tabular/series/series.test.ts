import { gzipSync } from "node:zlib";
import { describe, expect, it } from "vitest";
import { joinPages } from "@/usecases/imports";
import { inPlainText } from "@/wording/problems";
import { readSeries, type SeriesFile, type SeriesOptions } from ".";

const OPTIONS: SeriesOptions = { zone: null, labels: "start", conflicts: "refuse" };

function bytes(content: string | Uint8Array, chunk = 7): AsyncIterable<Uint8Array> {
  const all = typeof content === "string" ? new TextEncoder().encode(content) : content;
  async function* parts() {
    for (let at = 0; at < all.length; at += chunk) yield all.subarray(at, at + chunk);
  }
  return parts();
}

const read = (content: string | Uint8Array, options: Partial<SeriesOptions> = {}, chunk?: number): Promise<SeriesFile> =>
  readSeries(bytes(content, chunk), { ...OPTIONS, ...options });
const codes = (file: SeriesFile): string[] => file.problems.map((problem) => `${problem.severity}: ${problem.code}`);
const first = (file: SeriesFile): string => inPlainText(file.problems[0]!);
const values = (file: SeriesFile): number[] => [...joinPages({ ...file.series[0]!, meterId: "" })!.values].filter((v) => !Number.isNaN(v));

const hourly = (rows: string[], header = "time,energy_kwh"): string => [header, ...rows].join("\n");
const good = hourly(["2023-06-01T10:00+02:00,1.5", "2023-06-01T11:00+02:00,2.5", "2023-06-01T12:00+02:00,3"]);

describe("a production file", () => {
  it("is read with its columns, step, span and counts", async () => {
    const file = await read(good);
    expect(file).toMatchObject({ kind: "production", stepMinutes: 60, rowCount: 3, valueCount: 3, hasOffsets: true, problems: [] });
    expect(file.firstUtcMs).toBe(Date.parse("2023-06-01T08:00Z"));
    expect(values(file)).toEqual([1.5, 2.5, 3]);
  });

  it("reads the same from any chunking, gzip, BOM, CRLF, semicolons and decimal commas", async () => {
    const european = `\ufeff${good.replaceAll(",", ";").replaceAll(".", ",").replaceAll("\n", "\r\n")}\r\n`;
    for (const content of [good, european, gzipSync(good), good.replaceAll(",", "\t")]) {
      for (const chunk of [1, 11, 100_000]) expect(values(await read(content, {}, chunk))).toEqual([1.5, 2.5, 3]);
    }
  });

  it("takes a label at the interval's end back to its start", async () => {
    expect((await read(good, { labels: "end" })).firstUtcMs).toBe(Date.parse("2023-06-01T07:00Z"));
  });

  it("names its meters in the header", async () => {
    const file = await read(hourly(["2023-06-01T10:00Z,1,2", "2023-06-01T11:00Z,1,2"], "time,energy_kwh:Roof,energy_kwh:shed"));
    expect(file.columns.map((column) => column.meterId)).toEqual(["Roof", "shed"]);
  });

  it("leaves an empty cell missing, never zero", async () => {
    const file = await read(hourly(["2023-06-01T10:00Z,1", "2023-06-01T11:00Z,", "2023-06-01T12:00Z,NaN", "2023-06-01T13:00Z,2"]));
    expect([file.valueCount, file.rowCount, file.problems.length]).toEqual([2, 4, 0]);
  });

  it("keeps half-hour zones on their own grid", async () => {
    const file = await read(hourly(["2023-06-01T10:00+05:30,1", "2023-06-01T11:00+05:30,2"]));
    expect(file.series[0]!.phaseMinutes).toBe(30);
    expect(joinPages({ ...file.series[0]!, meterId: "" })!.axis.startUtcMs).toBe(Date.parse("2023-06-01T00:30Z"));
  });
});

describe("a local clock", () => {
  const autumn = ["02:00", "02:30", "02:00", "02:30", "03:00"].map((time, i) => `2023-10-29 ${time},${i}`);

  it("without a zone is refused with the way out", async () => {
    const file = await read(hourly(["2023-06-01 10:00,1", "2023-06-01 11:00,2"]));
    expect(codes(file)).toEqual(["error: zone-needed"]);
    expect(first(file)).toMatch(/no offset from UTC.*Choose the zone/);
  });

  it("shows the doubled hour twice, each in its own place", async () => {
    const file = await read(hourly(autumn), { zone: "Europe/Madrid" });
    expect(values(file)).toEqual([0, 1, 2, 3, 4]);
    expect(codes(file)).toEqual(["notice: clock-doubled"]);
  });

  it("that names a skipped hour is told so", async () => {
    const file = await read(hourly(["2023-03-26 01:00,1", "2023-03-26 02:00,0", "2023-03-26 04:00,1"]), { zone: "Europe/Madrid" });
    expect(codes(file)).toContain("notice: clock-skipped");
  });

  it("without summer time is read by a fixed offset", async () => {
    const file = await read(hourly(["2023-07-01 12:00,1", "2023-07-01 13:00,2"]), { zone: "UTC+01:00" });
    expect(file.firstUtcMs).toBe(Date.parse("2023-07-01T11:00Z"));
  });
});

describe("a faulty file", () => {
  const row = (text: string) => hourly(["2023-06-01T10:00Z,1", "2023-06-01T11:00Z,2", text]);
  const cases: [string, string | Uint8Array, string, RegExp][] = [
    ["that is empty", "", "empty-file", /empty/],
    ["that holds a header alone", "time,energy_kwh\n", "step-unknown", /step/],
    ["that is binary", Uint8Array.of(137, 80, 78, 71, 13, 10, 26, 10, 0, 0, 0, 13), "binary-file", /not a text file.*CSV/s],
    ["of a cut workbook", Uint8Array.of(80, 75, 3, 4, 0, 0, 8, 0), "broken-workbook", /workbook.*damaged/s],
    ["whose letters change half way", new Uint8Array([...new TextEncoder().encode(`${good}\n`), 0xff, 0xfe, 65, 66]), "not-utf8", /UTF-8/],
    ["of a cut gzip", gzipSync(good.repeat(50)).subarray(0, 60), "broken-gzip", /damaged/],
    ["without header", "2023-06-01T10:00Z,1\n2023-06-01T11:00Z,2", "no-header", /column names/],
    ["without a time column", "spot,energy_kwh\n3,1\n4,1", "no-time-column", /spot, energy_kwh/],
    [
      "without a known column",
      "time,zap,zip\n2023-06-01T10:00Z,1,2\n2023-06-01T11:00Z,1,2",
      "no-value-column",
      /the unit is part of the name/,
    ],
    ["of both kinds", "time,ghi_w_m2,energy_kwh\n2023-06-01T10:00Z,1,1", "mixed-kinds", /side by side/],
    ["with text for a number", row("2023-06-01T12:00Z,much"), "not-a-number", /row 4, energy_kwh: much/],
    ["with a time of no calendar", row("2023-02-30T12:00Z,1"), "bad-time", /row 4, time: 2023-02-30/],
    ["off its own grid", row("2023-06-01T12:07Z,1"), "off-grid", /60-minute grid/],
    ["that contradicts itself", row("2023-06-01T11:00Z,9"), "conflicting-rows", /another value.*row 4/s],
    ["of an odd step", hourly(["2023-06-01T10:00Z,1", "2023-06-01T10:07Z,2", "2023-06-01T10:14Z,2"]), "odd-step", /7 minutes/],
    ["of another century", hourly(["1823-06-01T10:00Z,1", "1823-06-01T11:00Z,2"]), "far-span", /1823/],
    ["with a short row", row("2023-06-01T12:00Z"), "short-row", /row 4/],
    ["whose offsets come and go", row("2023-06-01 12:00,1"), "mixed-offsets", /row 4/],
  ];
  for (const [name, content, code, words] of cases) {
    it(`${name} is refused, naming the place and the way out`, async () => {
      const file = await read(content);
      expect(codes(file)).toContain(`error: ${code}`);
      expect(file.problems.map(inPlainText).join("\n")).toMatch(words);
    });
  }

  it("of two hundred problems names the first and counts the rest", async () => {
    const rows = Array.from(
      { length: 200 },
      (_, i) => `2023-06-${String(1 + Math.floor(i / 24)).padStart(2, "0")}T${String(i % 24).padStart(2, "0")}:00Z,bad${i}`,
    );
    const file = await read(hourly(rows));
    expect(file.problems).toHaveLength(1);
    expect([file.problems[0]!.count, file.problems[0]!.places.length]).toEqual([200, 20]);
    expect(first(file)).toMatch(/200 rows.*row 2, energy_kwh: bad0.*and 195 more/s);
  });
});

describe("what is mended by itself and said", () => {
  it("a repeated row is counted once", async () => {
    const file = await read(`${good}\n2023-06-01T12:00+02:00,3`);
    expect(codes(file)).toEqual(["notice: duplicate-rows"]);
    expect(file.valueCount).toBe(3);
  });

  it("rows out of order are put in order", async () => {
    const file = await read(hourly(["2023-06-01T11:00Z,2", "2023-06-01T12:00Z,3", "2023-06-01T10:00Z,1"]));
    expect(codes(file)).toEqual(["notice: out-of-order"]);
    expect(values(file)).toEqual([1, 2, 3]);
  });

  it("of rows that contradict the first or the last is kept when asked", async () => {
    const content = `${good}\n2023-06-01T12:00+02:00,7`;
    expect(values(await read(content, { conflicts: "first" }))).toEqual([1.5, 2.5, 3]);
    expect(values(await read(content, { conflicts: "last" }))).toEqual([1.5, 2.5, 7]);
  });

  it("output below zero is kept as written, and said", async () => {
    const file = await read(`${good}\n2023-06-01T13:00+02:00,-3.2`);
    expect([values(file).at(-1), codes(file)]).toEqual([-3.2, ["notice: below-zero"]]);
    expect(first(file)).toMatch(/can't be negative.*row 5, energy_kwh: -3\.2.*net/s);
  });

  it("a sensor's small negative night is zero", async () => {
    const file = await read(hourly(["2023-06-01T01:00Z,-2.5", "2023-06-01T02:00Z,0"], "time,ghi_w_m2"));
    expect([values(file), codes(file)]).toEqual([[0, 0], ["notice: night-offset"]]);
  });
});

describe("a counter that begins anew every day", () => {
  const twoDays = (header: string): string =>
    [
      `time,${header}`,
      ...[0, 1, 2].flatMap((day) =>
        Array.from(
          { length: 24 },
          (_, hour) => `2023-06-0${day + 1}T${String(hour).padStart(2, "0")}:00Z,${Math.max(0, Math.min(10, hour - 6)) * (day + 1)}`,
        ),
      ),
    ].join("\n");

  it.each(["Energy today (kWh)", "counter_kwh", "Daily yield kWh"])(
    "under “%s” is read as the energy of each hour, and it is said",
    async (header) => {
      const file = await read(twoDays(header), { zone: "UTC+00:00" });
      expect(file.proposal?.mapping.values).toMatchObject([{ quantity: "counter_kwh", beginsAnew: true }]);
      expect(file.proposal?.reasons.map(({ because }) => because).join()).toContain("begins anew every day");
      expect(file.series.map(({ quantity }) => quantity)).toEqual(["energy_kwh"]);
      expect(values(file).reduce((sum, value) => sum + value, 0)).toBe(10 + 20 + 30);
      expect(values(file).slice(24, 48)).toEqual([...Array<number>(6).fill(0), ...Array<number>(10).fill(2), ...Array<number>(8).fill(0)]);
    },
  );

  it("is no lifetime's: ten hours of the second day count once, whatever stood before", async () => {
    const file = await read(twoDays("Energy today (kWh)"), { zone: "UTC+00:00" });
    expect(Math.max(...values(file))).toBe(3);
  });

  it("read by hand gives each day up to its reading, and a day that was left out nothing", async () => {
    const rows = [
      "2023-06-01 20:30,12.1",
      "2023-06-02 19:00,8.4",
      "2023-06-02 21:00,9",
      "2023-06-04 21:10,14.2",
      "2023-06-05,13.9",
      "2023-06-06 21:00,3",
    ];
    const file = await read(`time,counter_kwh\n${rows.join("\n")}`, { zone: "UTC+02:00" });
    const spans = file.sparse?.spans.map(({ fromUtcMs, toUtcMs, kwh }) => [
      new Date(fromUtcMs).toISOString().slice(5, 16),
      new Date(toUtcMs).toISOString().slice(5, 16),
      kwh,
    ]);
    expect(file.sparse?.counters).toEqual([]);
    expect(spans).toEqual([
      ["05-31T22:00", "06-01T18:30", 12.1],
      ["06-01T22:00", "06-02T19:00", 9],
      ["06-03T22:00", "06-04T19:10", 14.2],
      ["06-04T22:00", "06-05T22:00", 13.9],
      ["06-05T22:00", "06-06T19:00", 3],
    ]);
  });
});
