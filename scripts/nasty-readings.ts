import { mkdir, rm, writeFile } from "node:fs/promises";
import path from "node:path";
import { gzipSync } from "node:zlib";
import ExcelJS from "exceljs";
import { strToU8, zipSync } from "fflate";

/** Writes the corpus of nasty files under test/fixtures/readings, each with what must be said about it. Run after a change: npx tsx scripts/nasty-readings.ts */
interface Nasty {
  readonly name: string;
  readonly content: string | Uint8Array;
  /** Problem codes that must be among those told; none of severity "error" may be missing when `refused`. */
  readonly says: readonly string[];
  readonly refused: boolean;
  readonly options?: Readonly<Record<string, unknown>>;
  /** Sum of the energies read, kWh, where the file is taken. */
  readonly kwh?: number;
}

const files: Nasty[] = [];
const nasty = (name: string, content: Nasty["content"], refused: boolean, says: readonly string[], more: Partial<Nasty> = {}): void =>
  void files.push({ name, content, refused, says, ...more });
const zone = { options: { zone: "Europe/Madrid" } };

const two = (n: number): string => String(n).padStart(2, "0");
const hour = (i: number, day = 1): string => `2023-06-${two(day + Math.floor(i / 24))}T${two(i % 24)}:00Z`;
const hours = (n: number, value: (i: number) => string | number = (i) => i % 24): string[] =>
  Array.from({ length: n }, (_, i) => `${hour(i)},${value(i)}`);
const table = (rows: readonly string[], header = "time,energy_kwh"): string => `${[header, ...rows].join("\n")}\n`;
const SUM = 276;

// Nothing, or next to nothing.
nasty("empty.csv", "", true, ["empty-file"]);
nasty("blank-lines.csv", "\n\n\n  \n", true, ["empty-file"]);
nasty("header-only.csv", "time,energy_kwh\n", true, ["step-unknown"]);
nasty("foreign-header-only.csv", "Datum;Ertrag kWh\n", true, ["no-value-column"]);
nasty("one-row.csv", table(hours(1)), true, ["step-unknown"]);
nasty("one-column.csv", "energy_kwh\n1\n2\n3\n", true, ["no-time-column"]);
nasty("prose.csv", "Dear all,\nplease find the readings attached.\nKind regards\n", true, ["no-value-column"]);
nasty("html.csv", "<!doctype html><html><body>Session expired</body></html>\n", true, ["xml-entities"]);
nasty("json.csv", '{"rows":[{"t":"2023-06-01","v":1}]}\n', true, ["step-unknown"]);
nasty("broken-json.csv", '[{"t":"2023-06-01","v":1},\n', true, ["broken-json"]);

// Broken writing.
nasty("truncated-row.csv", `${table(hours(24))}2023-06-02T00:`, true, ["short-row"]);
nasty("truncated-quote.csv", `${table(hours(24))}"2023-06-02T00:00Z,5\n`, true, ["open-quote"]);
nasty("truncated.csv.gz", gzipSync(table(hours(240))).subarray(0, 200), true, ["broken-gzip"]);
nasty("gzip-of-nothing.csv.gz", gzipSync(""), true, ["empty-file"]);
nasty("gzip-in-gzip.csv.gz", gzipSync(gzipSync(table(hours(24)))), true, ["binary-file"]);
nasty("bomb-of-zeros.csv.gz", gzipSync(new Uint8Array(200_000_000), { level: 9 }), true, ["binary-file"]);
nasty("bomb-of-spaces.csv.gz", gzipSync(Buffer.alloc(200_000_000, " "), { level: 9 }), true, ["line-too-long"]);
nasty(
  "bomb-of-lines.csv.gz",
  gzipSync(Buffer.concat([Buffer.from(table(hours(24))), Buffer.alloc(20_000_000, "\n")]), { level: 9 }),
  true,
  ["too-many-rows"],
);
nasty(
  "zero-bytes.csv",
  new Uint8Array([...strToU8(table(hours(400))), ...new Uint8Array(70_000), ...strToU8("2023-07-01T00:00Z,1\n")]),
  true,
  [],
);
nasty("zero-bytes-at-once.csv", new Uint8Array([...strToU8("time,energy_kwh\n"), 0, 0, 0, ...strToU8("\n")]), true, ["binary-file"]);
nasty("picture.csv", Uint8Array.of(137, 80, 78, 71, 13, 10, 26, 10, 0, 0, 0, 13, 73, 72, 68, 82), true, ["binary-file"]);
const latinRow = Buffer.from("2023-07-30T04:00Z,1,K\u00f6ln\n", "latin1");
nasty(
  "mixed-encodings.csv",
  new Uint8Array([
    ...strToU8(
      table(
        hours(24, (i) => `${i % 24},x`),
        "time,energy_kwh,ort",
      ),
    ),
    ...latinRow,
  ]),
  false,
  ["other-encoding"],
);
nasty(
  "encoding-changes-late.csv",
  new Uint8Array([
    ...strToU8(
      table(
        hours(700, (i) => `${i % 24},${"x".repeat(120)}`),
        "time,energy_kwh,note",
      ),
    ),
    ...latinRow,
  ]),
  true,
  ["not-utf8"],
);
nasty("utf16.csv", new Uint8Array(Buffer.from(`\ufeff${table(hours(24))}`, "utf16le")), false, ["other-encoding"], { kwh: SUM });
nasty(
  "latin1.csv",
  new Uint8Array(
    Buffer.from(
      table(
        hours(24, (i) => `${i % 24},K\u00f6ln`),
        "time,energy_kwh,ort",
      ),
      "latin1",
    ),
  ),
  false,
  ["other-encoding"],
  { kwh: SUM },
);
nasty("carriage-returns.csv", table(hours(24)).replaceAll("\n", "\r"), false, [], { kwh: SUM });
nasty("byte-order-mark.csv", `\ufeff${table(hours(24))}`, false, [], { kwh: SUM });
nasty("one-long-line.csv", `time,energy_kwh ${"x".repeat(1_200_000)}`, true, ["line-too-long"]);
nasty(
  "ten-thousand-columns.csv",
  `${Array.from({ length: 10_000 }, (_, k) => `c${k}`).join(",")}\n${Array.from({ length: 10_000 }, (_, k) => k).join(",")}\n`,
  true,
  ["too-many-columns"],
);

// Headers.
nasty("no-header.csv", hours(24).join("\n"), true, ["no-header"]);
nasty(
  "duplicated-header.csv",
  table(
    hours(24, (i) => `${i},${i}`),
    "time,energy_kwh,energy_kwh",
  ),
  true,
  ["repeated-column"],
);
nasty("header-again.csv", `${table(hours(12))}${table(hours(24).slice(12))}`, false, ["repeated-header"], { kwh: SUM });
nasty(
  "unknown-columns.csv",
  table(
    hours(24, (i) => `${i},${i * 2}`),
    "time,zig,zag",
  ),
  true,
  ["no-value-column"],
);
nasty("one-unknown-column.csv", table(hours(24), "time,zig"), true, ["mapping-unsure"]);
nasty(
  "weather-and-production.csv",
  table(
    hours(24, (i) => `${i},${i}`),
    "time,ghi_w_m2,energy_kwh",
  ),
  true,
  ["mixed-kinds"],
);
nasty("unknown-meter.csv", table(hours(24), "time,energy_kwh:attic"), true, ["unknown-meter"]);

// Times.
nasty("no-zone.csv", table(hours(24).map((row) => row.replace("Z", "").replace("T", " "))), true, ["zone-needed"]);
nasty("offsets-come-and-go.csv", table([...hours(24), "2023-06-02 00:00,1"]), true, ["mixed-offsets"]);
nasty("thirtieth-of-february.csv", table(["2023-02-28T00:00Z,1", "2023-02-28T01:00Z,1", "2023-02-30T00:00Z,1"]), true, ["bad-time"]);
nasty("leap-day.csv", table(Array.from({ length: 24 }, (_, i) => `2024-02-29T${two(i)}:00Z,${i}`)), false, [], { kwh: SUM });
nasty("leap-day-of-no-leap-year.csv", table(["2023-02-28T22:00Z,1", "2023-02-28T23:00Z,1", "2023-02-29T00:00Z,1"]), true, ["bad-time"]);
nasty(
  "autumn-night.csv",
  table(["00:00", "01:00", "02:00", "02:00", "03:00"].map((time, i) => `2023-10-29 ${time},${i}`)),
  false,
  ["clock-doubled"],
  { ...zone, kwh: 10 },
);
nasty(
  "spring-night.csv",
  table(["00:00", "01:00", "02:00", "03:00", "04:00"].map((time) => `2023-03-26 ${time},0`)),
  false,
  ["clock-skipped"],
  { ...zone, kwh: 0 },
);
nasty("year-1970.csv", table(Array.from({ length: 24 }, (_, i) => `1970-01-01T${two(i)}:00Z,1`)), true, ["far-span"]);
nasty("year-2099.csv", table(Array.from({ length: 24 }, (_, i) => `2099-01-01T${two(i)}:00Z,1`)), true, ["far-span"]);
nasty("one-row-of-1970.csv", table([...hours(24), "1970-01-01T00:00Z,1"]), true, ["far-span"]);
nasty("milliseconds.csv", table(hours(24).map((row) => row.replace("Z", ":00.123Z"))), false, [], { kwh: SUM });
nasty("hour-24.csv", table(["2023-06-01T22:00Z,1", "2023-06-01T23:00Z,1", "2023-06-01T24:00Z,1"]), false, [], { kwh: 3 });
nasty("hour-25.csv", table(["2023-06-01T22:00Z,1", "2023-06-01T23:00Z,1", "2023-06-01T25:00Z,1"]), true, ["bad-time"]);
nasty("day-or-month.csv", "day,energy kwh\n03/04/2024,5\n", true, ["mapping-unsure"]);
nasty("seven-minutes.csv", table(Array.from({ length: 9 }, (_, i) => `2023-06-01T10:${two(Math.min(59, i * 7))}Z,1`)), true, ["odd-step"]);
nasty("off-grid.csv", table([...hours(24), "2023-06-02T00:07Z,1"]), true, ["off-grid"]);
nasty("backwards.csv", table(hours(24).reverse()), false, ["out-of-order"], { kwh: SUM });
nasty("duplicates.csv", table([...hours(24), ...hours(12)]), false, ["duplicate-rows"], { kwh: SUM });
nasty("contradictions.csv", table([...hours(24), `${hour(5)},99`]), true, ["conflicting-rows"]);
nasty("contradictions-last.csv", table([...hours(24), `${hour(5)},9`]), false, ["conflicting-rows"], {
  options: { conflicts: "last" },
  kwh: SUM + 4,
});
nasty("weather-by-day.csv", table(["2023-06-01,5", "2023-06-02,6", "2023-06-03,7"], "time,ghi_w_m2"), true, ["weather-too-coarse"]);

// Values.
nasty("text-for-number.csv", table([...hours(23), `${hour(23)},much`]), true, ["not-a-number"]);
nasty("four-hundred-digits.csv", table([...hours(23), `${hour(23)},${"9".repeat(400)}`]), true, ["not-a-number"]);
nasty("hexadecimal.csv", table([...hours(23), `${hour(23)},0x1F`]), true, ["not-a-number"]);
nasty("infinity.csv", table([...hours(23), `${hour(23)},Infinity`]), true, ["not-a-number"]);
nasty("formula-cell.csv", table([...hours(23), `${hour(23)},=1+1`]), true, ["not-a-number"]);
nasty("command-cell.csv", table([...hours(23), `${hour(23)},"=cmd|' /C calc'!A0"`]), true, ["not-a-number"]);
nasty("missing-words.csv", table(hours(24, (i) => (i === 3 ? "NaN" : i === 4 ? "-" : i === 5 ? "n/a" : i % 24))), false, [], {
  kwh: SUM - 12,
});
nasty("below-zero.csv", table(hours(24, (i) => (i < 4 ? -0.01 : i % 24))), false, ["below-zero"]);
nasty("watt-hours-under-kwh.csv", table(hours(24, (i) => i * 1000)), false, ["implausible-energy"], { kwh: SUM * 1000 });
nasty(
  "irradiance-of-a-star.csv",
  table(
    hours(24, (i) => i * 1000),
    "time,ghi_w_m2",
  ),
  true,
  ["out-of-range"],
);
nasty(
  "fahrenheit.csv",
  table(
    hours(24, () => "500,97"),
    "time,ghi_w_m2,air_temperature_c",
  ),
  true,
  ["out-of-range"],
);
nasty("total-row.csv", table([...hours(24), `Total,${SUM}`]), false, ["summary-row"], { kwh: SUM });
nasty(
  "thousands-or-decimals.csv",
  ["Zeit;Energie kWh", ...hours(24, (i) => `${(i * 7) % 24},500`).map((row) => row.replace(",", ";"))].join("\n"),
  false,
  [],
  { kwh: SUM + 12 },
);

// XML.
const espi = (inner: string, head = ""): string => `<?xml version="1.0"?>${head}<feed xmlns="http://www.w3.org/2005/Atom">${inner}</feed>`;
const reading = (i: number, value: string | number = 250): string =>
  `<IntervalReading><timePeriod><duration>3600</duration><start>${1_685_577_600 + i * 3600}</start></timePeriod><value>${value}</value></IntervalReading>`;
const block = (n: number): string =>
  `<entry><content><IntervalBlock>${Array.from({ length: n }, (_, i) => reading(i)).join("")}</IntervalBlock></content></entry>`;
nasty(
  "meter.xml",
  espi(
    `<entry><content><ReadingType><powerOfTenMultiplier>0</powerOfTenMultiplier><uom>72</uom></ReadingType></content></entry>${block(24)}`,
  ),
  false,
  [],
  { kwh: 6 },
);
nasty(
  "entity-bomb.xml",
  espi(block(2), '<!DOCTYPE lolz [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;"><!ENTITY c "&b;&b;&b;&b;&b;&b;&b;&b;">]>'),
  true,
  ["xml-entities"],
);
nasty("outside-entity.xml", espi(block(2), '<!DOCTYPE x [<!ENTITY f SYSTEM "file:///etc/passwd">]>'), true, ["xml-entities"]);
nasty("cut.xml", espi(block(24)).slice(0, 900), true, ["xml-broken"]);
nasty("no-readings.xml", espi("<entry><content/></entry>"), true, ["no-rows"]);
nasty("volts.xml", espi(`<entry><content><ReadingType><uom>29</uom></ReadingType></content></entry>${block(24)}`), true, [
  "no-value-column",
]);
nasty(
  "word-for-value.xml",
  espi(`<entry><content><IntervalBlock>${reading(0)}${reading(1, "much")}</IntervalBlock></content></entry>`),
  true,
  ["not-a-number"],
);

// Workbooks.
async function workbook(fill: (sheet: ExcelJS.Worksheet) => void): Promise<Uint8Array> {
  const book = new ExcelJS.Workbook();
  book.created = new Date(0);
  book.modified = new Date(0);
  fill(book.addWorksheet("Readings"));
  return new Uint8Array(await book.xlsx.writeBuffer());
}
const plain = (sheet: ExcelJS.Worksheet): void => {
  sheet.addRow(["Time", "Energy kWh"]);
  for (let i = 0; i < 24; i++) sheet.addRow([new Date(Date.UTC(2023, 5, 1, i)), (i * 7) % 24]);
};
const { unzipSync } = await import("fflate");
const good = await workbook(plain);
const parts = unzipSync(good);
const pack = (extra: Record<string, Uint8Array>): Uint8Array =>
  zipSync({ ...parts, ...extra }, { level: 6, mtime: new Date("2023-01-01T00:00:00") });
nasty("readings.xlsx", pack({}), false, [], { ...zone, kwh: SUM });
nasty(
  "formulas.xlsx",
  await workbook((sheet) => {
    sheet.addRow(["Time", "Energy kWh"]);
    for (let i = 0; i < 24; i++) sheet.addRow([new Date(Date.UTC(2023, 5, 1, i)), { formula: `ROW()-${2}`, result: (i * 7) % 24 }]);
  }),
  false,
  ["formula-cells"],
  { ...zone, kwh: SUM },
);
nasty("macros.xlsx", pack({ "xl/vbaProject.bin": strToU8("not to be run") }), false, ["macros-left"], { ...zone, kwh: SUM });
nasty("links.xlsx", pack({ "xl/externalLinks/externalLink1.xml": strToU8("<externalLink/>") }), false, ["links-left"], {
  ...zone,
  kwh: SUM,
});
nasty("path-traversal.xlsx", pack({ "../../etc/cron.d/evil": strToU8("* * * * *") }), true, ["archive-paths"]);
nasty("absolute-path.xlsx", pack({ "/tmp/evil": strToU8("x") }), true, ["archive-paths"]);
nasty("bomb.xlsx", pack({ "xl/worksheets/sheet9.xml": new Uint8Array(300_000_000) }), true, ["unpacks-too-large"]);
nasty("entities.xlsx", pack({ "xl/sharedStrings.xml": strToU8('<?xml version="1.0"?><!DOCTYPE x [<!ENTITY a "b">]><sst/>') }), true, [
  "xml-entities",
]);
nasty("cut.xlsx", good.subarray(0, 900), true, ["broken-workbook"]);
nasty("plain-archive.xlsx", zipSync({ "readings.csv": strToU8(table(hours(24))) }, { mtime: new Date("2023-01-01T00:00:00") }), true, [
  "not-a-workbook",
]);
nasty("empty-sheet.xlsx", await workbook(() => {}), true, ["empty-file"]);

const folder = path.join(import.meta.dirname, "..", "test", "fixtures", "readings");
await rm(folder, { recursive: true, force: true });
await mkdir(folder, { recursive: true });
for (const { name, content } of files) await writeFile(path.join(folder, name), content);
const expected = Object.fromEntries(files.map(({ name, content: _content, ...rest }) => [name, rest]));
await writeFile(path.join(folder, "expected.json"), `${JSON.stringify(expected, null, 1)}\n`);
console.log(`${files.length} nasty files in test/fixtures/readings`);
