import { readFileSync } from "node:fs";
import path from "node:path";
import { Readable } from "node:stream";
import { bill } from "@test/bill-builder";
import { fixtures } from "@test/paths";
import { peakBands, plan } from "@test/tariff-builder";
import { describe, expect, it } from "vitest";
import { readBills } from "@/formats/bills-csv";
import { billFaultWords, noReturnWords } from "@/wording/money";
import { averagePrice, type BillLine, billFaults, billMonths, Exact, energyShares, estimateMissing, promiseProgress, runRate } from "..";
import { EVEN_DAY, hoursOfUse, methodTotal, type SunHour, savingsOf, selfUseByBand } from ".";

const said = (bills: readonly BillLine[]): string[] => billFaults(bills).map((fault) => billFaultWords(fault).what);

describe("bills that can't be right", () => {
  it("names bills that overlap, and days that none covers", () => {
    expect(said([bill("2024-01-01", "2024-02-02"), bill("2024-02-01", "2024-02-29")])[0]).toBe(
      "Bill 2 starts on 2024-02-01, but bill 1 runs to 2024-02-02.",
    );
    expect(said([bill("2024-01-01", "2024-01-31"), bill("2024-03-01", "2024-03-31")])).toEqual(["No bill from 2024-02-01 to 2024-02-29."]);
  });
  it("export above production, use below import, bands that miss the import", () => {
    expect(said([bill("2024-01-01", "2024-01-31", { exportKwh: 500, productionKwh: 400 })])[0]).toContain(
      "500 kWh exported, but only 400 kWh produced",
    );
    expect(said([bill("2024-01-01", "2024-01-31", { usageKwh: 200 })])[0]).toContain("200 kWh used, but 300 kWh bought");
    expect(said([bill("2024-01-01", "2024-01-31", { importByBandKwh: { peak: 100, "off-peak": 100 } })])[0]).toContain(
      "add up to 200 kWh, its import is 300 kWh",
    );
  });
  it("use that is not what was bought and made less exported: so many kWh apart, beyond the rounding of four figures", () => {
    const printed = (usageKwh: number) => said([bill("2024-01-01", "2024-01-31", { usageKwh, productionKwh: 400, exportKwh: 220 })]);
    expect(printed(620)).toEqual(["Bill 1: 620 kWh used, but bought and made less exported are 480 kWh: 140 kWh apart."]);
    expect([printed(482), printed(483).length]).toEqual([[], 1]);
  });
  it("energy that was made before there was an array is refused", () => {
    const may = bill("2024-05-01", "2024-05-31", { productionKwh: 90 });
    expect(billFaults([may], "2024-06-01")).toMatchObject([{ kind: "made-before-the-array", isFatal: true, productionKwh: 90 }]);
    expect([billFaults([may], "2024-05-31"), billFaults([may]), billFaults([{ ...may, productionKwh: 0 }], "2024-06-01")]).toEqual([
      [],
      [],
      [],
    ]);
  });
  it("energy can't be negative, an amount may be", () => {
    expect(billFaults([bill("2024-01-01", "2024-01-31", { importKwh: -1 })])[0]).toMatchObject({ kind: "negative-energy", isFatal: true });
    expect(billFaults([bill("2024-01-01", "2024-01-31", { amount: "-12.40" })])).toEqual([]);
  });
  it("a slipped decimal point shows in the price", () => {
    const bills = [1, 2, 3, 4, 5].map((month) =>
      bill(`2024-0${month}-01`, `2024-0${month}-28`, { amount: month === 4 ? "6000.00" : "60.00" }),
    );
    expect(billFaults(bills).filter(({ kind }) => kind === "price-far-off")).toMatchObject([{ row: 4, isFatal: false }]);
  });
  it("no rate of return, or several, is said in words", () => {
    expect(noReturnWords("none", [])).toContain("never change sign");
    expect(noReturnWords("several", [0.1, 0.2])).toContain("10.0\u202f%, 20.0\u202f%");
  });
});

describe("bills by month", () => {
  it("spreads a bill over the months it touches by its days", () => {
    const months = billMonths([bill("2024-01-17", "2024-02-15", { importKwh: 300, amount: "90.00" })]);
    expect(months.map(({ key, importKwh, amount }) => [key, importKwh, amount.toFixed(2)])).toEqual([
      ["2024-01", 150, "45.00"],
      ["2024-02", 150, "45.00"],
    ]);
  });
  it("estimates a missing month from its namesakes, and marks it", () => {
    const year = (y: number, skip = 0): BillLine[] =>
      Array.from({ length: 12 }, (_, m) => m + 1)
        .filter((m) => m !== skip)
        .map((m) =>
          bill(`${y}-${String(m).padStart(2, "0")}-01`, `${y}-${String(m).padStart(2, "0")}-${new Date(Date.UTC(y, m, 0)).getUTCDate()}`, {
            importKwh: 100 * m,
          }),
        );
    const months = estimateMissing(billMonths([...year(2021), ...year(2022, 5), ...year(2023)]));
    const may = months.find(({ key }) => key === "2022-05")!;
    expect([may.isEstimated, may.importKwh, months.length]).toEqual([true, 500, 36]);
  });
  it("an average price has all charges in it", () =>
    expect(averagePrice(billMonths([bill("2024-01-01", "2024-01-31")]))!.toFixed(2)).toBe("0.20"));
  it("shares are sums over sums", () => {
    const shares = energyShares([
      { importKwh: 300, exportKwh: 10, productionKwh: 60 },
      { importKwh: 50, exportKwh: 450, productionKwh: 600 },
    ]);
    expect([shares.selfConsumptionFrac, shares.selfSufficiencyFrac, shares.offsetFrac]).toEqual([200 / 660, 200 / 550, 660 / 550]);
  });
  it("progress goes by season: a good winter half is no half year", () => {
    const promise = [20, 40, 80, 110, 130, 140, 140, 120, 90, 60, 40, 30];
    const winter = [1, 2, 3, 4, 5, 6].map((month) => ({ month, kwh: promise[month - 1]! * 1.1 }));
    const { frac, onCourseKwh, naiveYearKwh } = promiseProgress(winter, promise);
    expect(frac).toBeCloseTo(1.1, 9);
    expect(onCourseKwh).toBeCloseTo(1100, 9);
    expect(naiveYearKwh).toBeCloseTo(1144, 9);
  });
});

describe("savings", () => {
  const own = plan({
    from: "2019-01-01",
    fixedPerMonth: "10.00",
    seasons: peakBands("0.30", "0.15"),
    credit: { kind: "feed-in", perKwh: "0.08" },
  });
  const before = billMonths([bill("2023-03-01", "2023-03-31", { importKwh: 500, amount: "100.00" })]);
  const month = {
    ...billMonths([
      bill("2024-03-01", "2024-03-31", {
        importKwh: 300,
        importByBandKwh: { peak: 100, "off-peak": 200 },
        exportKwh: 150,
        amount: "58.00",
      }),
    ])[0]!,
    exportKwh: 150,
    productionKwh: 400,
    selfByBandKwh: { peak: 150, "off-peak": 100 },
    isFilled: false,
  };
  it("three methods by hand", () => {
    const [saved] = savingsOf([month], { plans: [own], currency: "EUR", before, flatPerKwh: { used: "0.25", exported: "0.08" } });
    // Without the array: 10 + 250 * 0.30 + 300 * 0.15 = 130; run again: 10 + 30 + 30 - 12 = 58.
    expect([saved!.without!.toFixed(2), saved!.again!.toFixed(2), saved!.reRun!.toFixed(2)]).toEqual(["130.00", "58.00", "72.00"]);
    // 550 kWh at the old 0.20, less 58; 250 * 0.25 + 150 * 0.08.
    expect([saved!.oldAverage!.toFixed(2), saved!.flatValue!.toFixed(2)]).toEqual(["52.00", "74.50"]);
  });
  it("a school that lacks what it needs is silent", () => {
    const [saved] = savingsOf([month], { plans: [], currency: "EUR", before: [], flatPerKwh: null });
    expect([saved!.reRun, saved!.oldAverage, saved!.flatValue]).toEqual([null, null, null]);
    expect(methodTotal([saved!], "reRun")).toBeNull();
  });

  const sunny: SunHour[] = Array.from({ length: 24 * 30 }, (_, h) => {
    const hour = h % 24;
    return { hour, band: hour >= 14 && hour < 20 ? "peak" : "off-peak", pvKwh: Math.max(0, 2 * Math.sin(((hour - 6) / 12) * Math.PI)) };
  });
  it("finds the split of a use that it was not told", () => {
    const use = sunny.map(() => 0.8);
    const bought = { peak: 0, "off-peak": 0 };
    const covered = { peak: 0, "off-peak": 0 };
    sunny.forEach(({ pvKwh, band }, h) => {
      bought[band as "peak"] += Math.max(0, use[h]! - pvKwh);
      covered[band as "peak"] += Math.min(use[h]!, pvKwh);
    });
    const split = selfUseByBand(sunny, bought, covered.peak + covered["off-peak"], EVEN_DAY);
    expect(split.peak! / covered.peak).toBeCloseTo(1, 1);
    expect(split.peak! + split["off-peak"]!).toBeCloseTo(covered.peak + covered["off-peak"], 6);
  });
  it("hours of use add up to what was printed", () => {
    const use = hoursOfUse(sunny, { peak: 40, "off-peak": 220 }, 130);
    const sum = (values: Float64Array): number => values.reduce((a, b) => a + b, 0);
    expect(sum(use.importKwh)).toBeCloseTo(260, 4);
    expect(sum(use.exportKwh)).toBeCloseTo(130, 6);
    expect(sum(use.loadKwh)).toBeCloseTo(260 - 130 + sunny.reduce((total, { pvKwh }) => total + pvKwh, 0), 4);
  });
});

describe("payback at the rate of the bills", () => {
  const months = (first: number, count: number, saving: (m: number) => number) =>
    Array.from({ length: count }, (_, k) => ({
      key: `${2023 + Math.floor((first - 1 + k) / 12)}-${String(((first - 1 + k) % 12) + 1).padStart(2, "0")}`,
      saving: new Exact(saving(((first - 1 + k) % 12) + 1)),
    }));
  const terms = {
    netCost: new Exact(1200),
    rises: () => 1,
    ageingPerYearFrac: 0,
    season: [20, 40, 80, 110, 130, 140, 140, 120, 90, 60, 40, 30],
    horizonYears: 30,
  };
  it("counts no month without a bill among what was saved", () => {
    const saved = months(1, 12, () => 60).map((month, m) => ({ ...month, isEstimated: m >= 6 }));
    const rate = runRate({ ...terms, saved })!;
    expect([rate.savedToDate.toNumber(), rate.naivePerYear.toNumber()]).toEqual([360, 720]);
  });
  it("is reached on the day within the month", () => {
    const rate = runRate({ ...terms, saved: months(1, 12, () => 60) })!;
    // 720 in the first year; 480 more is the end of August 2024.
    expect([rate.perYear.toNumber(), rate.paidBackOn]).toEqual([720, "2024-08-31"]);
  });
  it("annualises a summer half by season, not by months counted", () => {
    const rate = runRate({ ...terms, saved: months(4, 6, (m) => terms.season[m - 1]!) })!;
    expect(rate.perYear.toNumber()).toBeCloseTo(1000, 9);
    expect(rate.naivePerYear.toNumber()).toBeCloseTo(1460, 9);
    expect(rate.filledMonths).toBe(6);
  });
  it("says never rather than a date beyond the horizon", () =>
    expect(runRate({ ...terms, saved: months(1, 12, () => 1), horizonYears: 10 })!.paidBackOn).toBeNull());
});

describe("a table of bills", () => {
  const read = (text: string) => readBills(Readable.from([Buffer.from(text)]));
  it("reads the format's columns, bands among them", async () => {
    const { bills } = await read(
      "from,to,usage_kwh,import_peak_kwh,import_offpeak_kwh,export_kwh,amount\n2024-01-01,2024-01-31,300,100,200,12,71.20\n",
    );
    expect(bills).toEqual([
      bill("2024-01-01", "2024-01-31", { importByBandKwh: { peak: 100, "off-peak": 200 }, exportKwh: 12, amount: "71.20" }),
    ]);
  });
  it("reads what a sheet gives when it is copied: tabs, decimal commas, months", async () => {
    const { bills } = await read("month\timport_kwh\tamount\n2024-02\t310,5\t-4,20\n");
    expect(bills[0]).toMatchObject({ from: "2024-02-01", to: "2024-02-29", importKwh: 310.5, amount: "-4.20" });
  });
  it("puts together what stands in a row a band or a meter, with the credit taken off", async () => {
    const { bills } = await read(
      [
        "from,to,meter,band,import_kwh,export_kwh,amount,credit",
        "2024-01-01,2024-01-31,house,Peak,100,,30.00,",
        "2024-01-01,2024-01-31,house,Off-peak,200,12,40.00,4.20",
        "2024-01-01,2024-01-31,heat pump,Off-peak,90,,18.10,",
        "2024-02-01,2024-02-29,house,Peak,80,,24.00,",
      ].join("\n"),
    );
    expect(bills).toEqual([
      bill("2024-01-01", "2024-01-31", { importKwh: 390, importByBandKwh: { peak: 100, "off-peak": 290 }, exportKwh: 12, amount: "83.9" }),
      bill("2024-02-01", "2024-02-29", { importKwh: 80, importByBandKwh: { peak: 80 }, amount: "24.00" }),
    ]);
  });
  it("takes the bill that was issued last for the days that it corrects, and says so", async () => {
    const { bills, problems } = await read(
      "month,issued,import_kwh,amount\n2024-01,2024-02-20,280,58.00\n2024-01,2024-02-03,300,61.00\n2024-02,2024-03-03,250,52.00\n",
    );
    expect(bills.map(({ importKwh, amount }) => [importKwh, amount])).toEqual([
      [280, "58.00"],
      [250, "52.00"],
    ]);
    expect(problems.map(({ code, severity }) => [code, severity])).toEqual([["bill-corrected", "notice"]]);
  });
  it("leaves two bills of the same days as they are where nothing says which one counts", async () => {
    const { bills } = await read("month,import_kwh,amount\n2024-01,280,58.00\n2024-01,300,61.00\n");
    expect(billFaults(bills, null).map(({ kind }) => kind)).toContain("overlap");
  });
  it("of a credit that is no number or a day that is none says where", async () => {
    const { problems } = await read("month,import_kwh,amount,credit,issued\n2024-01,280,58.00,much,soon\n");
    expect(problems.map(({ places }) => places[0]!.column)).toEqual(["credit", "issued"]);
  });
  it("takes the summaries of interval-meter XML: period by its clock, energy by its power of ten, cost in parts of a currency", async () => {
    const summary = (start: number, days: number, cost: string, value: number) =>
      `<entry><UsageSummary><billingPeriod><duration>${days * 86_400}</duration><start>${start}</start></billingPeriod><billLastPeriod>${cost}</billLastPeriod>` +
      `<overallConsumptionLastPeriod><powerOfTenMultiplier>3</powerOfTenMultiplier><uom>72</uom><value>${value}</value></overallConsumptionLastPeriod></UsageSummary></entry>`;
    // Midnight of 1 January and 1 February 2024, five hours behind UTC.
    const [january, february] = [Date.UTC(2024, 0, 1, 5) / 1000, Date.UTC(2024, 1, 1, 5) / 1000];
    const feed = (inner: string) =>
      `<?xml version="1.0"?><feed><entry><LocalTimeParameters><tzOffset>-18000</tzOffset></LocalTimeParameters></entry>${inner}</feed>`;
    const { bills } = await read(feed(summary(january, 31, "7120000", 300) + summary(february, 29, "-150000", 41)));
    expect(bills).toEqual([
      bill("2024-01-01", "2024-01-31", { importKwh: 300, amount: "71.20" }),
      bill("2024-02-01", "2024-02-29", { importKwh: 41, amount: "-1.50" }),
    ]);
    const codes = async (text: string) => (await read(text)).problems.map(({ code }) => code);
    expect(await codes(feed(""))).toEqual(["meter-file-without-bills"]);
    expect(await codes(feed(summary(january, 31, "much", 300)))).toEqual(["not-a-number"]);
    expect(await codes(feed(summary(january, 0, "7120000", 300)))).toEqual(["bad-time"]);
    expect(await codes("<feed><entry>")).toEqual(["xml-broken"]);
  });
  it("takes no missing energy or amount of a part for nothing: it says where", async () => {
    const places = async (...rows: string[]) =>
      (await read(["month,band,import_kwh,amount", ...rows].join("\n"))).problems.map(({ code, places: [place] }) => [
        code,
        place!.row,
        place!.column,
      ]);
    expect(await places("2024-01,peak,,30.00", "2024-01,off-peak,200,")).toEqual([["not-a-number", 2, "import_kwh"]]);
    expect(await places("2024-01,peak,100,", "2024-01,off-peak,200,")).toEqual([["not-a-number", 2, "amount"]]);
    expect(await places("2024-01,peak,100,", "2024-01,off-peak,200,70.00")).toEqual([]);
  });
  it("refuses a PDF with the way out", async () => {
    const { problems } = await read("%PDF-1.7\n1 0 obj");
    expect(problems.map(({ code }) => code)).toEqual(["pdf-file"]);
  });
  it("takes use beside import for consumption", async () => {
    const { bills } = await read("from,to,usage_kwh,import_kwh,amount\n2024-01-01,2024-01-31,450,300,60\n");
    expect([bills[0]!.usageKwh, bills[0]!.importKwh]).toEqual([450, 300]);
  });
  it("names row, column and value of what it can't read, and keeps nothing of it", async () => {
    const { bills, problems } = await read(
      "from,to,import_kwh,amount\n2024-01-01,2024-01-31,300,60\n2024-02-30x,2024-02-29,n/a,60\n2024-03-01,2024-03-31,abc,60\n",
    );
    expect(bills).toEqual([]);
    expect(problems.flatMap((problem) => problem.places)).toContainEqual({ row: 4, column: "import_kwh", value: "abc" });
  });
  it("wants an amount", async () => {
    const { problems } = await read("from,to,import_kwh\n2024-01-01,2024-01-31,300\n");
    expect(problems[0]).toMatchObject({ code: "no-value-column", severity: "error" });
  });
  it("reads the owner's own bills of the bills house", async () => {
    const bytes = readFileSync(path.join(fixtures, "plants", "bills-house", "bills.csv"));
    const { bills } = await readBills(Readable.from([bytes]));
    expect(bills).toHaveLength(60);
    expect(billFaults(bills)).toEqual([]);
  });
});
