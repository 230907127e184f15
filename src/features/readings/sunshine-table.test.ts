import { describe, expect, it } from "vitest";
import { cellsOfMeans, sunSoFar, sunshineCsv, TWELVE_MONTHS } from "./sunshine-table";

const typed = (sun: readonly string[], air: readonly string[] = []) =>
  TWELVE_MONTHS.map(([month], k) => [month!, sun[k] ?? "", air[k] ?? ""]);
const twelve = (value: string): string[] => Array<string>(12).fill(value);

describe("twelve figures of sunshine", () => {
  it("go in by the day, by the month, in any unit", () => {
    expect(
      sunshineCsv(typed(twelve("3,6")), "kwh-day")
        .split("\n")
        .slice(0, 2),
    ).toEqual(["month;ghi_kwh_m2_day", "January;3.6"]);
    expect(sunshineCsv(typed(twelve("3.6")), "mj-day").split("\n")[1]).toBe("January;1");
    expect(
      sunshineCsv(typed(twelve("360")), "mj-month")
        .split("\n")
        .slice(0, 2),
    ).toEqual(["month;ghi_kwh_m2", "January;100"]);
    expect(sunshineCsv(typed(twelve("200")), "w-mean").split("\n")[1]).toBe("January;4.8");
  });

  it("take the air along where it is typed, and leave out months without anything", () => {
    expect(sunshineCsv(typed(["5"], ["-3"]), "kwh-day").split("\n")).toEqual(["month;ghi_kwh_m2_day;air_temperature_c", "January;5;-3"]);
  });

  it("leave what is no number for the reader to refuse", () => {
    expect(sunshineCsv(typed(["lots"]), "kwh-day").split("\n")[1]).toBe("January;lots");
  });

  it("add up through the year", () => {
    expect(sunSoFar(typed(["3", "", "4"]), "kwh-day").slice(0, 3)).toEqual([93, null, 217]);
    expect(sunSoFar(typed(twelve("360")), "mj-month").at(-1)).toBeCloseTo(1200, 6);
  });

  it("show a climate by the day", () => {
    const cells = cellsOfMeans({ ghiKwhM2: Array<number>(12).fill(93), airTempC: Array<number>(12).fill(-1.25) });
    expect(cells[0]).toEqual(["January", "3.00", "-1.3"]);
    expect(sunshineCsv(cells, "kwh-day").split("\n")[1]).toBe("January;3;-1.3");
  });
});
