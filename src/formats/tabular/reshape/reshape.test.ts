import { describe, expect, it } from "vitest";
import { readSeries } from "../series";

async function* bytesOf(text: string): AsyncGenerator<Uint8Array> {
  yield new TextEncoder().encode(text);
}
const read = (lines: readonly string[], zone: string | null = "UTC+00:00") =>
  readSeries(bytesOf(`${lines.join("\n")}\n`), { zone, labels: "start", conflicts: "refuse", siteZone: "UTC+00:00" });
const errors = ({ problems }: Awaited<ReturnType<typeof read>>): string[] =>
  problems.filter(({ severity }) => severity === "error").map(({ code }) => code);
const codes = ({ problems }: Awaited<ReturnType<typeof read>>): string[] => problems.map(({ code }) => code);
/** Values of a series by hour of its first day. */
const valuesOf = (file: Awaited<ReturnType<typeof read>>, quantity: string): number[] => {
  const own = file.series.find((series) => series.quantity === quantity);
  return own ? [...own.days].sort(([a], [b]) => a - b).flatMap(([, values]) => [...values].filter((value) => !Number.isNaN(value))) : [];
};
const hours = Array.from({ length: 48 }, (_, k) => k);
const pad = (value: number): string => String(value).padStart(2, "0");
const at = (k: number): string => `2023-06-${pad(1 + Math.floor(k / 24))} ${pad(k % 24)}:00`;
const watts = (k: number): number => Math.max(0, Math.round(4000 * Math.sin((((k % 24) - 6) / 12) * Math.PI)));
const total = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);
const EXPECTED = total(hours.map(watts));

describe("tables that are written in another way", () => {
  it("year, month, day and hour in columns are one time", async () => {
    const file = await read([
      "Year,Month,Day,Hour,Power (W)",
      ...hours.map((k) => `2023,6,${1 + Math.floor(k / 24)},${k % 24},${watts(k)}`),
    ]);
    expect(errors(file)).toEqual([]);
    expect(total(valuesOf(file, "power_w"))).toBe(EXPECTED);
    expect(file.firstUtcMs).toBe(Date.UTC(2023, 5, 1));
  });

  it("hours 1 to 24 name the hours that they end, and minutes in the midst the hour that they lie in", async () => {
    const ended = await read([
      "year;month;day;hour;ghi W/m2",
      ...hours.map((k) => `2023;6;${1 + Math.floor(k / 24)};${(k % 24) + 1};${k % 24 === 12 ? 800 : 0}`),
    ]);
    expect(errors(ended)).toEqual([]);
    expect(ended.firstUtcMs).toBe(Date.UTC(2023, 5, 1));
    expect(valuesOf(ended, "ghi_w_m2")[12]).toBe(800);
    const midst = await read([
      "Year,Month,Day,Hour,Minute,GHI",
      ...hours.map((k) => `2023,6,${1 + Math.floor(k / 24)},${k % 24},30,${k % 24 === 12 ? 800 : 0}`),
    ]);
    expect([errors(midst), midst.firstUtcMs]).toEqual([[], Date.UTC(2023, 5, 1)]);
  });

  it("a typical year under two head rows, with months of several years and 24:00, is one year", async () => {
    const months = [
      [2005, 1, 31],
      [1999, 2, 28],
      [2011, 3, 31],
    ] as const;
    const rows = months.flatMap(([year, month, days]) =>
      Array.from(
        { length: days * 24 },
        (_, k) => `${year},${month},${1 + Math.floor(k / 24)},${(k % 24) + 1},${k % 24 === 12 ? 500 : 0},7.5`,
      ),
    );
    const file = await read([
      "station,Ostheim,48.1,11.2,520",
      "",
      "Year,Month,Day,Hour,Global horizontal irradiance (W/m2),Air temperature (C)",
      ...rows,
    ]);
    expect(errors(file)).toEqual([]);
    expect(codes(file)).toContain("typical-year");
    expect([file.firstUtcMs, file.lastUtcMs]).toEqual([Date.UTC(2005, 0, 1), Date.UTC(2005, 2, 31, 23)]);
    const clock = await read([
      '723815,"Ostheim",48.1,11.2',
      "Date (MM/DD/YYYY),Time (HH:MM),GHI (W/m^2),Dry-bulb temperature (C)",
      ...hours.map((k) => `06/${pad(1 + Math.floor(k / 24))}/2004,${pad((k % 24) + 1)}:00,${k % 24 === 12 ? 700 : 0},18.2`),
    ]);
    expect([errors(clock), valuesOf(clock, "ghi_w_m2").length]).toEqual([[], 48]);
  });

  it("a number a row, with its quantity and its device, is a column for each, however it is sorted", async () => {
    const row = (k: number, device: string, share: number) => [
      `${at(k)},${device},ac_power W,${watts(k) * share}`,
      `${at(k)},${device},voltage V,230`,
    ];
    const byTime = hours.flatMap((k) => [...row(k, "WR1", 0.25), ...row(k, "WR2", 0.75)]);
    const byDevice = [...hours.flatMap((k) => row(k, "WR1", 0.25)), ...hours.flatMap((k) => row(k, "WR2", 0.75))];
    for (const rows of [byTime, byDevice]) {
      const file = await read(["time,device,quantity,value", ...rows]);
      expect(errors(file)).toEqual([]);
      expect(total(valuesOf(file, "power_w"))).toBe(EXPECTED);
      expect(codes(file)).toContain("long-table");
    }
  });

  it("rows that differ by device alone are a column each; a table of one device stays plain", async () => {
    const rows = (devices: readonly string[]) =>
      hours.flatMap((k) => devices.map((device) => `${at(k)},${device},${watts(k) / devices.length}`));
    const two = await read(["time,inverter,power W", ...rows(["7001", "7002"])]);
    expect([errors(two), total(valuesOf(two, "power_w"))]).toEqual([[], EXPECTED]);
    const one = await read(["time,inverter,power W", ...rows(["7001"])]);
    expect([errors(one), codes(one).includes("long-table"), total(valuesOf(one, "power_w"))]).toEqual([[], false, EXPECTED]);
  });

  it("objects a line, in a list, under a name, or as lists of columns", async () => {
    const objects = hours.map((k) => ({ time: `${at(k).replace(" ", "T")}:00Z`, power_w: watts(k), state: { code: 4 } }));
    const texts = [
      objects.map((one) => JSON.stringify(one)).join("\n"),
      JSON.stringify(objects),
      JSON.stringify({ site: "Ostheim", data: objects }, null, 2),
      JSON.stringify({ time: objects.map(({ time }) => time), power_w: objects.map(({ power_w: power }) => power) }),
    ];
    for (const text of texts) {
      const file = await read([text], null);
      expect(errors(file)).toEqual([]);
      expect(total(valuesOf(file, "power_w"))).toBe(EXPECTED);
    }
    expect(errors(await read(['[{"time": "2023-06-01T00:00Z", "power_w": 1'], null))).toEqual(["broken-json"]);
  });

  it("from, to, production and a unit", async () => {
    const file = await read(["from,to,production,unit", ...hours.map((k) => `${at(k)},${at(k + 1)},${watts(k)},${k < 24 ? "Wh" : "Wh"}`)]);
    expect(errors(file)).toEqual([]);
    expect(total(valuesOf(file, "energy_kwh"))).toBeCloseTo(EXPECTED / 1000, 6);
    const mixed = await read([
      "from,to,production,unit",
      ...hours.map((k) => `${at(k)},${at(k + 1)},${k < 24 ? watts(k) : watts(k) / 1000},${k < 24 ? "Wh" : "kWh"}`),
    ]);
    expect(total(valuesOf(mixed, "energy_kwh"))).toBeCloseTo(EXPECTED / 1000, 6);
  });

  it("spans of unlike length keep both ends, the last day among them where the next begins a day later", async () => {
    const open = await read(["from;to;energy kWh", "01.01.2023;17.01.2023;310", "17.01.2023;20.02.2023;612", "25.02.2023;01.04.2023;900"]);
    expect(errors(open)).toEqual([]);
    const day = (utcMs: number): string => new Date(utcMs).toISOString().slice(0, 10);
    expect(open.sparse!.spans.map(({ fromUtcMs, toUtcMs, kwh }) => [day(fromUtcMs), day(toUtcMs), kwh])).toEqual([
      ["2023-01-01", "2023-01-17", 310],
      ["2023-01-17", "2023-02-20", 612],
      ["2023-02-25", "2023-04-01", 900],
    ]);
    const within = await read([
      "from,to,production,unit",
      "2023-01-01,2023-01-31,0.31,MWh",
      "2023-02-01,2023-02-28,612,kWh",
      "2023-03-01,2023-03-31,900,kWh",
    ]);
    expect([errors(within), within.sparse!.spans.map(({ toUtcMs, kwh }) => [day(toUtcMs), kwh])]).toEqual([
      [],
      [
        ["2023-02-01", 310],
        ["2023-03-01", 612],
        ["2023-04-01", 900],
      ],
    ]);
  });

  it("a Parquet file, its times as times or as text", async () => {
    const { parquetWriteBuffer } = await import("hyparquet-writer");
    const times = hours.map((k) => new Date(Date.UTC(2023, 5, 1, k)));
    for (const data of [times, times.map((time) => time.toISOString())]) {
      const whole = parquetWriteBuffer({
        columnData: [
          { name: "time", data },
          { name: "power_w", data: hours.map(watts), type: "INT32" },
        ],
      });
      async function* parts(): AsyncGenerator<Uint8Array> {
        yield new Uint8Array(whole.slice(0, 100));
        yield new Uint8Array(whole.slice(100));
      }
      const file = await readSeries(parts(), { zone: null, labels: "start", conflicts: "refuse" });
      expect(errors(file)).toEqual([]);
      expect(total(valuesOf(file, "power_w"))).toBe(EXPECTED);
    }
    async function* broken(): AsyncGenerator<Uint8Array> {
      yield new TextEncoder().encode("PAR1 and nothing of the kind");
    }
    expect(errors(await readSeries(broken(), { zone: null, labels: "start", conflicts: "refuse" }))).toEqual(["broken-parquet"]);
  });

  it("a scale factor multiplies its register and is never energy", async () => {
    const exponent = await read(["time,AC power W,AC power SF", ...hours.map((k) => `${at(k)},${watts(k) / 10},1`)]);
    expect([errors(exponent), total(valuesOf(exponent, "power_w"))]).toEqual([[], EXPECTED]);
    const factor = await read(["time,energy kWh,multiplier", ...hours.map((k) => `${at(k)},${watts(k)},0.001`)]);
    expect([errors(factor), Math.round(total(valuesOf(factor, "energy_kwh")))]).toEqual([[], Math.round(EXPECTED / 1000)]);
    const changing = await read(["time,W,W_SF", ...hours.map((k) => `${at(k)},${watts(k) * (k < 24 ? 1 : 10)},${k < 24 ? 0 : -1}`)]);
    expect([errors(changing), total(valuesOf(changing, "power_w"))]).toEqual([[], EXPECTED]);
  });

  it("a factor of ten, a register with decimal commas, and a scale whose register has wind beside it", async () => {
    const tens = await read(["time,power W,power W scale factor", ...hours.map((k) => `${at(k)},${watts(k) / 10},10`)]);
    expect([errors(tens), total(valuesOf(tens, "power_w"))]).toEqual([[], EXPECTED]);
    const commas = await read(
      ["time;W;W_SF", ...hours.map((k) => `${at(k)};${(watts(k) / 10).toFixed(2).replace(".", ",")};${k % 2 === 0 ? 1 : 0}`)].map(
        (line, k) =>
          k > 0 && k % 2 === 0
            ? line.replace(
                /;[\d,]+;0$/,
                `;${watts(k - 1)
                  .toFixed(2)
                  .replace(".", ",")};0`,
              )
            : line,
      ),
    );
    expect([errors(commas), Math.round(total(valuesOf(commas, "power_w")))]).toEqual([[], EXPECTED]);
    const wind = await read(["time,Wind m/s,W,W_SF", ...hours.map((k) => `${at(k)},3.5,${watts(k) / 10},${k === 0 ? 0 : 1}`)]);
    expect([errors(wind), total(valuesOf(wind, "power_w"))]).toEqual([[], EXPECTED]);
  });

  it("a power factor scales nothing, and a head in brackets is no JSON", async () => {
    const file = await read(["[Info]", "logger;7", "time;power W;power factor", ...hours.map((k) => `${at(k)};${watts(k)};0.5`)]);
    expect([errors(file), total(valuesOf(file, "power_w"))]).toEqual([[], EXPECTED]);
  });

  it("seconds become minutes: means of power, sums of energy, last readings of counters", async () => {
    const seconds = Array.from(
      { length: 600 },
      (_, k) => `2023-06-01 12:${pad(Math.floor(k / 60))}:${pad(k % 60)},${3000 + (k % 60)},0.001,${1000 + k / 1000}`,
    );
    const power = await read(["time,power W,voltage V", ...seconds.map((row) => `${row.split(",").slice(0, 2).join(",")},230`)]);
    expect(errors(power)).toEqual([]);
    expect([power.stepMinutes, valuesOf(power, "power_w").length, valuesOf(power, "power_w")[0]]).toEqual([1, 10, 3029.5]);
    const energy = await read(["time,energy kWh", ...seconds.map((row) => [row.split(",")[0], row.split(",")[2]].join(","))]);
    expect(valuesOf(energy, "energy_kwh")[3]).toBeCloseTo(0.06, 9);
    const counter = await read(["time,total energy kWh", ...seconds.map((row) => [row.split(",")[0], row.split(",")[3]].join(","))]);
    expect(valuesOf(counter, "counter_kwh")[0]).toBeCloseTo(1000.059, 9);
  });

  it("a plain table stays as it is, and a fault is told at its own row", async () => {
    const rows = hours.map((k) => `2023,6,${1 + Math.floor(k / 24)},${k % 24},${k === 20 ? "abc" : watts(k)}`);
    const file = await read(["Year,Month,Day,Hour,Power (W)", ...rows]);
    expect(file.problems.find(({ code }) => code === "not-a-number")?.places[0]).toMatchObject({ row: 22 });
    const plain = await read(["time,power_w", ...hours.map((k) => `${at(k)},${watts(k)}`)]);
    expect(codes(plain)).toEqual([]);
  });

  it("spans that follow each other with unlike lengths keep both of their ends", async () => {
    const file = await read(["from;to;energy kWh", "01.01.2023;17.01.2023;160", "17.01.2023;20.02.2023;680", "20.02.2023;01.04.2023;1200"]);
    expect(errors(file)).toEqual([]);
    const days = file.sparse?.spans.map(({ fromUtcMs, toUtcMs, kwh }) => [(toUtcMs - fromUtcMs) / 86_400_000, kwh]);
    expect(days).toEqual([
      [16, 160],
      [34, 680],
      [40, 1200],
    ]);
  });

  it("a long table that tells a reading twice asks, and takes neither in silence", async () => {
    const rows = hours.flatMap((k) => [`${at(k)},power W,${watts(k)}`, `${at(k)},ambient C,20`]);
    const file = await read(["time,quantity,value", ...rows, `${at(12)},power W,1`]);
    expect(file.problems.filter(({ severity }) => severity !== "notice").map(({ code }) => code)).not.toEqual([]);
    expect(total(valuesOf(await read(["time,quantity,value", ...rows]), "power_w"))).toBe(EXPECTED);
  });

  it("seconds of a German day become minutes, their day as it was", async () => {
    const seconds = Array.from({ length: 360 }, (_, k) => `01.06.2023 12:${pad(Math.floor(k / 6))}:${pad((k % 6) * 10)};${1000 + (k % 6)}`);
    const file = await read(["Zeit;Leistung W", ...seconds]);
    expect([errors(file), file.firstUtcMs]).toEqual([[], Date.UTC(2023, 5, 1, 12)]);
    expect(valuesOf(file, "power_w")[0]).toBeCloseTo(1002.5);
  });

  it("a garbled second is told, and a counter in seconds is read by its last", async () => {
    const second = (k: number): string => `2023-06-01 12:${pad(Math.floor(k / 6))}:${pad((k % 6) * 10)}`;
    const garbled = await read(["time,power W", ...Array.from({ length: 360 }, (_, k) => `${second(k)},${k === 40 ? "12x4" : 900}`)]);
    expect(codes(garbled)).toContain("not-a-number");
    const counting = await read([
      "time,energy kWh",
      ...Array.from({ length: 360 }, (_, k) => `${second(k)},${(5000 + k * 0.01).toFixed(2)}`),
    ]);
    const readings = counting.sparse?.counters.map(({ kwh }) => kwh) ?? valuesOf(counting, "counter_kwh");
    expect([errors(counting), readings[0], readings.at(-1)]).toEqual([[], 5000.05, 5003.59]);
  });

  it("a name that comes late in a list of objects is a column, late in lines of them it is told", async () => {
    const object = (k: number): string =>
      JSON.stringify({
        time: `${new Date(Date.UTC(2023, 5, 1) + k * 900_000).toISOString()}`,
        power_w: 500,
        ...(k > 600 ? { ambient_c: 20 } : {}),
      });
    const all = Array.from({ length: 700 }, (_, k) => object(k));
    const list = await read([`[${all.join(",")}]`]);
    expect([errors(list), list.series.map(({ quantity }) => quantity)]).toEqual([[], expect.arrayContaining(["power_w"])]);
    const lines = await read(all);
    expect(codes(lines)).toContain("ignored-columns");
    expect(errors(await read(["[", `{"time":"2023-06-01T00:00Z","constructor":1}`, "]"]))).not.toEqual([]);
  });

  it("a list of objects with more names than a sheet may have columns is refused", async () => {
    const object = Object.fromEntries(Array.from({ length: 601 }, (_, k) => [`a${k}`, k]));
    expect(errors(await read([JSON.stringify([object])]))).toEqual(["row-too-wide"]);
    delete object.a600;
    expect(errors(await read([JSON.stringify([object])]))).not.toContain("row-too-wide");
  });
});
