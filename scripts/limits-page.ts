import { MOST_ORIGINAL_BYTES, MOST_PHOTO_BYTES } from "@/contracts/field-book";
import { FIRST_YEAR, LAST_YEAR, LIMITS } from "@/contracts/limits";
import {
  AT_WORK,
  BODY_LIMITS,
  LEAST_BYTES_S,
  MOST_ADDRESS_CHARS,
  MOST_WAIT_S,
  MOST_WAITING,
  PATIENCE_S,
  RETRY_AFTER_S,
} from "@/contracts/request-limits";
import { MOST_JSON_DEPTH } from "@/contracts/storable";
import { STAGED_FOR_MS, STAGED_LIMIT_BYTES, UPLOAD_LIMIT_BYTES } from "@/contracts/uploads";
import { HOUR_MS } from "@/core/units";
import { LONG_TABLE_MOST_ROWS } from "@/formats/tabular/reshape/long-table";
import { JSON_MOST_CHARS } from "@/formats/tabular/tables/json-rows";
import { PARQUET_MOST_CELLS, PARQUET_MOST_MB } from "@/formats/tabular/tables/parquet-rows";
import { MOST_CELLS, MOST_COLUMNS, MOST_PACKED_BYTES, MOST_UNPACKED_BYTES, XML_LIMITS } from "@/formats/xlsx/limits";
import { BUDGET, FILE_BUDGET } from "@/wiring/budgets";
import { bodyNames } from "@/wording/limits";

const count = (value: number): string => value.toLocaleString("en-GB");
const size = (bytes: number): string => (bytes >= 1e6 ? `${count(Math.round(bytes / 1e6))} MB` : `${count(Math.round(bytes / 1e3))} kB`);
const table = (head: readonly string[], rows: readonly (readonly string[])[]): string =>
  [
    `| ${head.join(" | ")} |`,
    `|${head.map((_, k) => (k === 1 ? "---:" : "---")).join("|")}|`,
    ...rows.map((cells) => `| ${cells.join(" | ")} |`),
  ].join("\n");

/** The page of all limits, made from what the program holds itself to. */
export const limitsPage = (): string => `# Limits

Made by \`npm run limits\` from the limits that the program itself uses. What is beyond one of them is refused with a sentence that names it; nothing of it is stored.

## Documents and forms

${table(
  ["What", "At most", "Why"],
  Object.values(LIMITS).map(({ what, most, reason }) => [what, count(most), reason]),
)}

Dates lie in the years ${FIRST_YEAR} to ${LAST_YEAR} and are days of the calendar. Names that every object of the program has (\`constructor\`, \`__proto__\`) are no names. Texts hold no NUL and no half letters; JSON lies at most ${MOST_JSON_DEPTH} levels deep.

## Requests

${table(
  ["A body with", "At most", "Length"],
  BODY_LIMITS.map(({ body, mostBytes, mayStream }) => [
    bodyNames[body],
    size(mostBytes),
    mayStream ? "may come without one" : "must be announced",
  ]),
)}

The length is read before the body. Addresses have at most ${count(MOST_ADDRESS_CHARS)} letters. A head must have come within ${PATIENCE_S} s; a body that brings less than ${count(LEAST_BYTES_S)} bytes a second over ${PATIENCE_S} s is let go.
At a time ${AT_WORK.page} pages are made, ${AT_WORK.api} questions of programs and ${AT_WORK.transfer} files are worked on; at most ${count(MOST_WAITING)} of an address wait, in turn with those of others, and after ${MOST_WAIT_S} s are asked to come back in ${RETRY_AFTER_S} s (503, \`Retry-After\`).

## Files

${table(
  ["What", "At most", "Counted"],
  [
    ["a file of readings", size(UPLOAD_LIMIT_BYTES), "as it comes"],
    ["all files that wait to be put in", size(STAGED_LIMIT_BYTES), `each waits at most ${STAGED_FOR_MS / HOUR_MS} h`],
    [
      "a photo, and the original that a phone makes small",
      `${size(MOST_PHOTO_BYTES)}, ${size(MOST_ORIGINAL_BYTES)}`,
      "by its announced length",
    ],
    ["a packed text, unpacked", "1,000 MB", "as it unpacks"],
    ["rows of a text", "12,000,000", "as they come"],
    ["a workbook", size(MOST_PACKED_BYTES), "as it comes"],
    ["a workbook's parts, unpacked", size(MOST_UNPACKED_BYTES), "as they unpack, whatever the archive declares"],
    ["cells of a workbook", count(MOST_CELLS), "as they come"],
    ["columns of a sheet", count(MOST_COLUMNS), "by the cell's own address"],
    ["a list of objects in JSON", size(JSON_MOST_CHARS), "as it comes; an object a line has no such limit"],
    ["a Parquet file", `${PARQUET_MOST_MB} MB`, "as it comes"],
    ["cells of a Parquet file", count(PARQUET_MOST_CELLS), "as the file tells them, before any is unpacked"],
    ["rows of a table with one reading a row", count(LONG_TABLE_MOST_ROWS), "as they come"],
    ["elements of an XML file", count(XML_LIMITS.mostTags), "as they come"],
    ["levels of an XML file", count(XML_LIMITS.mostDepth), "as they come"],
  ],
)}

Of a sheet nothing is read but cells: merges, rules, styles and names of ranges are never spread out. A file is read in a thread of its own, which is ended when it shows no row for ${FILE_BUDGET.silentMs / 1000} s or takes more than ${count(FILE_BUDGET.heapMb)} MB.

## Sums of a book

A question about a book (its ledger, money, examination, a day) may take ${BUDGET.timeMs / 1000} s and ${count(BUDGET.heapMb)} MB in a thread of its own. Over it the book is *set aside*: its pages say so, with a button to try again; the other books go on.
`;
