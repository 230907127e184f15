import fc from "fast-check";
import { importOptionsSchema } from "@/contracts/imports";
import { readEpw } from "@/formats/epw";
import { readEspi } from "@/formats/espi";
import { readEvents } from "@/formats/events-csv";
import { readMeans } from "@/formats/monthly-means";
import { readPromise } from "@/formats/promise-csv";
import { parseSiteText } from "@/formats/site-json";
import type { Bytes } from "@/formats/tabular/text";
import { inspectFile } from "@/usecases/imports";
import { site, siteInput } from "../site-builder";

const plant = site();
/** A file may take this long at the very most; anything longer is a hang. */
const HANG_MS = 10_000;

export function chunked(bytes: Uint8Array, size = 997): () => Bytes {
  return async function* () {
    for (let at = 0; at < bytes.length; at += size) yield bytes.subarray(at, at + size);
  };
}

async function inTime<T>(work: Promise<T>): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const hang = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error("hangs")), HANG_MS);
  });
  return Promise.race([work, hang]).finally(() => clearTimeout(timer));
}

const two = (n: number): string => String(n).padStart(2, "0");
const encode = (text: string): Uint8Array => new TextEncoder().encode(text);

/** Tables as people have them: any delimiter, header, clock and number form, with a few cells that are not what they should be. */
const tableText = fc
  .record({
    delimiter: fc.constantFrom(",", ";", "\t", "|"),
    header: fc.constantFrom(
      "time,energy_kwh",
      "Datum,Ertrag kWh",
      "Timestamp,P AC [W]",
      "when,what",
      "Date,Inv A kWh,Inv B kWh",
      "time,ghi_w_m2",
      "FY,Jul,Aug",
    ),
    order: fc.constantFrom("ymd", "dmy", "mdy"),
    rows: fc.integer({ min: 0, max: 60 }),
    odd: fc.array(
      fc.tuple(
        fc.nat({ max: 60 }),
        fc.nat({ max: 2 }),
        fc.oneof(fc.string({ maxLength: 12 }), fc.constantFrom("", "NaN", '"', "=1+1", "1e999", "-5", "Total", "\u0000")),
      ),
    ),
    newline: fc.constantFrom("\n", "\r\n", "\r"),
    tail: fc.string({ maxLength: 20 }),
  })
  .map(({ delimiter, header, order, rows, odd, newline, tail }) => {
    const columns = header.split(",").length;
    const lines = Array.from({ length: rows }, (_, i) => {
      const [day, hour] = [1 + Math.floor(i / 24), i % 24];
      const date = order === "ymd" ? `2023-06-${two(day)}` : order === "dmy" ? `${two(day)}.06.2023` : `06/${two(day)}/2023`;
      return [`${date} ${two(hour)}:00`, ...Array.from({ length: columns - 1 }, (_, c) => String(((i * 7 + c) % 24) / 4))];
    });
    for (const [row, column, cell] of odd) if (lines[row]?.[column] !== undefined) lines[row][column] = cell;
    return [header.replaceAll(",", delimiter), ...lines.map((cells) => cells.join(delimiter))].join(newline) + newline + tail;
  });

/** A whole file with bytes changed, cut or doubled. */
const spoilt = (text: string): fc.Arbitrary<Uint8Array> =>
  fc
    .record({
      cut: fc.nat({ max: text.length }),
      flips: fc.array(fc.tuple(fc.nat({ max: text.length - 1 }), fc.nat({ max: 255 })), { maxLength: 8 }),
    })
    .map(({ cut, flips }) => {
      const bytes = encode(text);
      for (const [at, value] of flips) if (at < bytes.length) bytes[at] = value;
      return cut % 3 === 0 ? bytes.subarray(0, cut) : bytes;
    });

const ESPI = `<?xml version="1.0"?><feed><entry><content><IntervalBlock>${Array.from({ length: 6 }, (_, i) => `<IntervalReading><timePeriod><duration>3600</duration><start>${1_685_577_600 + i * 3600}</start></timePeriod><value>250</value></IntervalReading>`).join("")}</IntervalBlock></content></entry></feed>`;
const EVENTS = "date,kind,note\n2023-06-01,cleaning,roof\n2023-07-01,outage,fuse\n";
const PROMISE = `month,kwh\n${["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"].map((month) => `${month},100`).join("\n")}\n`;
const MEANS = PROMISE.replace("kwh", "ghi_kwh_m2");
const EPW =
  "LOCATION,Nowhere,-,-,-,-,40,0,0,100\nDESIGN\nTYPICAL\nGROUND\nHOLIDAYS\nCOMMENTS\nCOMMENTS\nDATA PERIODS\n2020,1,1,1,60,x,5,5,50,100000,0,0,0,10,5,5\n";
const GOOD = `time,energy_kwh\n${Array.from({ length: 48 }, (_, i) => `2023-06-${two(1 + Math.floor(i / 24))}T${two(i % 24)}:00Z,${i % 24}`).join("\n")}\n`;

const options = fc
  .record({
    zone: fc.constantFrom(null, "Europe/Madrid", "UTC+01:00"),
    conflicts: fc.constantFrom("refuse", "first", "last"),
    labels: fc.constantFrom(null, "start", "end"),
  })
  .map((parts) => importOptionsSchema.parse(parts));

/** A file that was taken without an error has every row of data accounted for: read, or left out with a word. */
async function takesAllOrSays(bytes: Uint8Array, parts: ReturnType<typeof importOptionsSchema.parse>): Promise<void> {
  const found = await inTime(inspectFile(chunked(bytes), plant, parts));
  const { file, problems } = found;
  if (!file || problems.some(({ severity }) => severity === "error") || file.dialect === null || file.proposal?.mapping.layout !== "rows")
    return;
  const aside = problems
    .filter(({ code }) => code === "summary-row" || code === "repeated-header")
    .reduce((sum, { count }) => sum + count, 0);
  const first = file.proposal.mapping.firstRow;
  const lines = new TextDecoder()
    .decode(bytes)
    .replaceAll("\r\n", "\n")
    .replaceAll("\r", "\n")
    .split("\n")
    .slice(first - 1);
  const rows = lines.filter((line) =>
    line.split(file.dialect!.delimiter).some((cell) => cell.trim() !== "" && cell.trim() !== '""'),
  ).length;
  if (file.rowCount + aside < rows && !new TextDecoder().decode(bytes).includes('"'))
    throw new Error(`${rows} rows in the file, ${file.rowCount} read and ${aside} said to be left out`);
}

/** Every parser, each with the property that it must keep on any input. `runs` is the number of inputs for each. */
export const fuzzers: readonly { readonly name: string; readonly check: (runs: number, seed?: number) => Promise<void> }[] = [
  {
    name: "foreign tables",
    check: (runs, seed) =>
      assert(
        fc.asyncProperty(tableText, options, (text, parts) => takesAllOrSays(encode(text), parts)),
        runs,
        seed,
      ),
  },
  {
    name: "spoilt series",
    check: (runs, seed) =>
      assert(
        fc.asyncProperty(spoilt(GOOD), options, (bytes, parts) => takesAllOrSays(bytes, parts)),
        runs,
        seed,
      ),
  },
  {
    name: "any bytes",
    check: (runs, seed) =>
      assert(
        fc.asyncProperty(fc.uint8Array({ maxLength: 600 }), options, (bytes, parts) => takesAllOrSays(bytes, parts)),
        runs,
        seed,
      ),
  },
  {
    name: "any text",
    check: (runs, seed) =>
      assert(
        fc.asyncProperty(fc.string({ maxLength: 400, unit: "grapheme" }), options, (text, parts) => takesAllOrSays(encode(text), parts)),
        runs,
        seed,
      ),
  },
  {
    name: "archives",
    check: (runs, seed) =>
      assert(
        fc.asyncProperty(fc.uint8Array({ maxLength: 300 }), options, (bytes, parts) =>
          takesAllOrSays(new Uint8Array([0x50, 0x4b, 3, 4, ...bytes]), parts),
        ),
        runs,
        seed,
      ),
  },
  {
    name: "interval-meter XML",
    check: (runs, seed) =>
      assert(
        fc.asyncProperty(spoilt(ESPI), async (bytes) => void (await inTime(readEspi(chunked(bytes)())))),
        runs,
        seed,
      ),
  },
  {
    name: "events",
    check: (runs, seed) =>
      assert(
        fc.asyncProperty(spoilt(EVENTS), async (bytes) => void (await inTime(readEvents(chunked(bytes)())))),
        runs,
        seed,
      ),
  },
  {
    name: "promises",
    check: (runs, seed) =>
      assert(
        fc.asyncProperty(spoilt(PROMISE), async (bytes) => void (await inTime(readPromise(chunked(bytes)())))),
        runs,
        seed,
      ),
  },
  {
    name: "monthly means",
    check: (runs, seed) =>
      assert(
        fc.asyncProperty(spoilt(MEANS), async (bytes) => void (await inTime(readMeans(chunked(bytes)())))),
        runs,
        seed,
      ),
  },
  {
    name: "EPW",
    check: (runs, seed) =>
      assert(
        fc.asyncProperty(spoilt(EPW), async (bytes) => void (await inTime(readEpw(chunked(bytes)(), { year: 2023 })))),
        runs,
        seed,
      ),
  },
  {
    name: "site documents",
    check: (runs, seed) =>
      assert(
        fc.asyncProperty(spoilt(JSON.stringify(siteInput())), async (bytes) => void parseSiteText(new TextDecoder().decode(bytes))),
        runs,
        seed,
      ),
  },
];

const settings = <T>(runs: number, seed?: number): fc.Parameters<T> => ({
  numRuns: runs,
  ...(seed === undefined ? {} : { seed }),
  endOnFailure: false,
});
const assert = <T extends [unknown, ...unknown[]]>(property: fc.IAsyncProperty<T>, runs: number, seed?: number): Promise<void> =>
  fc.assert(property, settings<T>(runs, seed));
