import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { importOptionsSchema } from "@/contracts/imports";
import { inspectFile, joinPages } from "@/usecases/imports";
import { inPlainText } from "@/wording/problems";
import { runSun } from "../sun";
import { monthBins } from "../time";
import { weatherFromMeans } from ".";

const place = { latitudeDeg: 40, longitudeDeg: 0, timeZone: "Europe/Madrid" };
const ghiKwhM2 = [62, 84, 128, 158, 192, 212, 224, 196, 146, 102, 66, 54];
const airTempC = [8, 9, 11, 14, 18, 22, 25, 25, 21, 17, 12, 9];
const read = (text: string, year: number | null = null) =>
  inspectFile(
    async function* () {
      yield new TextEncoder().encode(text);
    },
    site(),
    importOptionsSchema.parse({ year, zone: "UTC" }),
  );
const told = (found: Awaited<ReturnType<typeof read>>) => found.problems.map(inPlainText).join("\n");

describe("hours from monthly means", () => {
  const made = weatherFromMeans({ ghiKwhM2, airTempC }, 2024, place);
  const months = monthBins(made.axis, place.timeZone);
  const sums = (values: Float64Array) => {
    const out = new Float64Array(12);
    values.forEach((value, i) => {
      out[months.binOf[i]!]! += value;
    });
    return out;
  };

  it("sum to each month exactly, and hold its mean temperature", () => {
    expect(months.keys).toHaveLength(12);
    sums(made.ghiWm2).forEach((sum, month) => {
      expect(sum / 1000).toBeCloseTo(ghiKwhM2[month]!, 9);
    });
    const hoursOf = sums(new Float64Array(made.axis.count).fill(1));
    sums(made.airTempC).forEach((sum, month) => {
      expect(sum / hoursOf[month]!).toBeCloseTo(airTempC[month]!, 9);
    });
  });

  it("are the same each time, dark at night, and never above the sky's own light", () => {
    expect(weatherFromMeans({ ghiKwhM2, airTempC }, 2024, place).ghiWm2).toEqual(made.ghiWm2);
    const sun = runSun(made.axis, place);
    made.ghiWm2.forEach((ghi, i) => {
      expect(ghi).toBeLessThanOrEqual(Math.max(0, sun.up[i]!) * sun.extraterrestrialWm2[i]! * 1.05 + 1e-9);
    });
  });

  it("have dull and bright days", () => {
    const days = Float64Array.from({ length: 30 }, (_, day) =>
      made.ghiWm2.subarray((150 + day) * 24, (151 + day) * 24).reduce((a, b) => a + b, 0),
    );
    expect(Math.max(...days) / Math.min(...days)).toBeGreaterThan(2);
  });

  it("are refused when a month has more light than its sky", () => {
    expect(() => weatherFromMeans({ ghiKwhM2: ghiKwhM2.map((kwh) => kwh * 3.6), airTempC }, 2024, place)).toThrow(RangeError);
  });
});

describe("a file of monthly means", () => {
  const text = `month,ghi_kwh_m2,air_temperature_c\n${ghiKwhM2.map((kwh, m) => `${m + 1},${kwh},${airTempC[m]}`).join("\n")}\n`;

  it("asks for its year, and then brings a year of hours", async () => {
    expect(told(await read(text))).toMatch(/no year of their own.*Choose the year/s);
    const found = await read(text, 2025);
    expect(found).toMatchObject({ kind: "weather", form: "means", year: 2025, problems: [] });
    const ghi = joinPages(found.series.find((series) => series.quantity === "ghi_w_m2")!)!;
    expect(ghi.values.reduce((sum, value) => sum + (Number.isNaN(value) ? 0 : value), 0) / 1000).toBeCloseTo(1624, 6);
  });

  it("names a month that is missing, and one in the wrong unit", async () => {
    expect(told(await read(text.replace(/^7,.*\n/m, ""), 2025))).toContain("lacks jul");
    expect(told(await read(text.replace("1,62,", "1,223,"), 2025))).toMatch(/more light than its sky lets through.*MJ/s);
  });
});

/** A made-up EPW file: one clear day of each of two months, of two years. */
function epw(parts: { ghi?: (hour: number) => number; lat?: number } = {}): string {
  const head = [`LOCATION,Vessarro,-,-,made up,000000,${parts.lat ?? 40},0.0,1.0,100`, ...new Array<string>(7).fill("-")];
  const row = (year: number, month: number, hour: number) => {
    const cells = new Array<string>(35).fill("0");
    const ghi = parts.ghi ? parts.ghi(hour) : Math.max(0, 600 * Math.sin(((hour - 8) / 11) * Math.PI));
    Object.assign(cells, [year, month, 15, hour, 60, "-", 18.5].map(String));
    cells[13] = ghi.toFixed(0);
    cells[14] = "9999";
    cells[15] = (0.4 * ghi).toFixed(0);
    cells[21] = "2.5";
    return cells.join(",");
  };
  const hours = Array.from({ length: 24 }, (_, k) => k + 1);
  return [...head, ...hours.map((hour) => row(2009, 3, hour)), ...hours.map((hour) => row(2013, 4, hour))].join("\n");
}

describe("an EPW year", () => {
  it("is put in one year, hours at the start of their interval in UTC, missing marks left out", async () => {
    const found = await read(epw());
    expect(found).toMatchObject({ kind: "weather", form: "epw", year: 2013, problems: [] });
    const ghi = joinPages(found.series.find((series) => series.quantity === "ghi_w_m2")!)!;
    const at = (iso: string) => ghi.values[Math.round((Date.parse(iso) - ghi.axis.startUtcMs) / 3_600_000)];
    // Hour 12 ends at noon of UTC+1: it starts at 10 UTC.
    expect(at("2013-03-15T10:00Z")).toBe(Number((600 * Math.sin((4 / 11) * Math.PI)).toFixed(0)));
    expect(found.series.some((series) => series.quantity === "dni_w_m2")).toBe(false);
    expect((await read(epw(), 2021)).year).toBe(2021);
  });

  it("of another place is told so, and one that is cut short is refused", async () => {
    expect(told(await read(epw({ lat: 52 })))).toMatch(/made for 52°, 0°, 13\d\d km from the site/);
    expect(
      told(
        await read(
          epw()
            .replace(/,0,0,0,0,0,0$/, "")
            .slice(0, -60),
        ),
      ),
    ).toContain("fewer cells");
  });
});

describe("weather that the sky does not allow", () => {
  const day = (ghi: (hour: number) => number, more = "", header = "") =>
    `time,ghi_w_m2${header}\n${Array.from({ length: 96 }, (_, h) => `2023-06-${String(1 + Math.floor(h / 24)).padStart(2, "0")}T${String(h % 24).padStart(2, "0")}:00Z,${ghi(h % 24).toFixed(1)}${more}`).join("\n")}\n`;
  const bell = (hour: number) => Math.max(0, 900 * Math.sin(((hour - 5) / 14) * Math.PI));

  it("a clock twelve hours off is refused with the share and the way out", async () => {
    expect(told(await read(day((hour) => bell((hour + 12) % 24))))).toMatch(
      /error: .*above what the sky at 40°, 0° can give.*clock's zone/s,
    );
  });

  it("a right clock passes", async () => {
    expect(told(await read(day(bell)))).toBe("");
  });

  it("diffuse above global, beam alone and Fahrenheit are named", async () => {
    expect(told(await read(day(bell, ",950", ",dhi_w_m2")))).toContain("DHI lies above GHI");
    expect(told(await read(day(bell, ",58", ",air_temperature_c")))).toMatch(/error: The air's mean is 58 °C.*Fahrenheit/s);
    expect(told(await read(day(bell).replace("ghi_w_m2", "dni_w_m2")))).toContain("neither GHI nor DHI");
  });
});
