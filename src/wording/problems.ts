// Longer than a file should be, on purpose: every sentence about a file stands in one catalogue, so that like things are said alike.

import type { Problem, ProblemCode } from "@/contracts/problems";
import { number } from "./format";

export interface Wording {
  readonly what: string;
  readonly expected: string;
  readonly remedy: string;
}

type Facts = Problem["facts"];
type Word = (facts: Facts, count: number) => Wording;

/** "1 row repeats", "12 rows repeat"; without a verb just the count. */
const rows = (count: number, verb = ""): string => {
  if (count === 1) return `1 row${verb && ` ${verb === "have" ? "has" : `${verb}s`}`}`;
  return `${number(count)} rows${verb && ` ${verb}`}`;
};

/** The one catalogue of sentences about files: what was found, what was expected, what to do. */
const CATALOGUE: Readonly<Record<ProblemCode, Word>> = {
  "empty-file": () => ({
    what: "The file is empty.",
    expected: "A header line and at least two rows.",
    remedy: "Export it again, or choose another file.",
  }),
  "binary-file": () => ({
    what: "This is not a text file.",
    expected: "A CSV file (text), or one packed with gzip.",
    remedy: "If it is a spreadsheet, save the sheet as CSV (UTF-8) and drop that.",
  }),
  "pdf-file": () => ({
    what: "This is a PDF: a picture of a page, from which no figure can be taken for sure.",
    expected: "A table: CSV, a workbook, or text copied from one.",
    remedy: "Most who send it also offer CSV or a workbook; else type its figures into the table here: a few minutes a year of bills.",
  }),
  "meter-file-without-bills": () => ({
    what: "This meter file holds no bill: no summary with a period, its energy and its cost.",
    expected: "Interval-meter XML with usage summaries, or a table of bills.",
    remedy: "Bring its readings under Readings, and type the bills here.",
  }),
  "bill-corrected": (_, count) => ({
    what: `${rows(count)} ${count === 1 ? "corrects an earlier bill" : "correct earlier bills"} of the same days.`,
    expected: "One bill for each day.",
    remedy: "The later one stands, the earlier one is left out.",
  }),
  "not-utf8": () => ({
    what: "Some letters can't be read as UTF-8.",
    expected: "Text in UTF-8, with or without a byte-order mark.",
    remedy: "Save the file as “CSV UTF-8” and drop it again.",
  }),
  "zero-bytes": () => ({
    what: "The file holds zero bytes in the middle of its text.",
    expected: "Text from beginning to end.",
    remedy: "The file was damaged while it was written or copied; export it again.",
  }),
  "other-encoding": (f) => ({
    what: `The letters are written as ${f.encoding}.`,
    expected: "UTF-8.",
    remedy: "They are read as such; if names look wrong in the preview, save the file as “CSV UTF-8”.",
  }),
  "unpacks-too-large": () => ({
    what: "The packed file unpacks to far more than a table of readings can hold.",
    expected: "At most 1 GB of text, or 250 MB of sheets.",
    remedy: "Cut it by years and drop the parts one after another. Nothing was stored.",
  }),
  "open-quote": () => ({
    what: "A quotation mark opens and never closes.",
    expected: "Every quoted cell closed by a second mark.",
    remedy: "Find the cell with a single quotation mark and remove it, or export the file again.",
  }),
  "line-too-long": () => ({
    what: "A single line holds more than a million letters.",
    expected: "One row a line.",
    remedy: "Export the file again with line ends.",
  }),
  "broken-workbook": () => ({
    what: "The workbook ends in the middle or is damaged.",
    expected: "A whole XLSX file.",
    remedy: "Open it in a spreadsheet program and save it again, or save the sheet as CSV.",
  }),
  "not-a-workbook": () => ({
    what: "This archive holds no workbook.",
    expected: "An XLSX file, or the unpacked files themselves.",
    remedy: "Unpack the archive and drop the files that are in it.",
  }),
  "archive-paths": () => ({
    what: "The archive holds parts whose names lead out of it.",
    expected: "Parts inside the archive.",
    remedy: "The file was not opened; save the sheet as CSV from a source that you trust.",
  }),
  "xml-entities": () => ({
    what: "The file declares entities of its own.",
    expected: "XML without a document type declaration.",
    remedy: "The file was not read; ask for a plain export.",
  }),
  "xml-broken": (f) => ({
    what: `The XML can't be read${f.message ? `: ${f.message}` : ""}.`,
    expected: "Interval readings as the energy-usage-information standard (NAESB REQ.21) writes them.",
    remedy: "Download the file again, or export a CSV file.",
  }),
  "macros-left": () => ({
    what: "The workbook carries macros.",
    expected: "Cells alone.",
    remedy: "They are left out; nothing of them is run.",
  }),
  "links-left": () => ({
    what: "The workbook links to other files.",
    expected: "Cells alone.",
    remedy: "The links are left out; cells keep the value they were saved with.",
  }),
  "other-sheets": (f) => ({
    what: `The sheet “${f.taken}” is read; others are left: ${f.others}.`,
    expected: "One sheet of readings.",
    remedy: "If another sheet was meant, save it as a file of its own.",
  }),
  "formula-cells": (f) => ({
    what: `${f.count} cells are formulas.`,
    expected: "Values.",
    remedy: "They are read by the value they were saved with; nothing is calculated here.",
  }),
  "too-many-columns": (f) => ({
    what: `The table has ${f.columns} columns.`,
    expected: `At most ${f.most}.`,
    remedy: "Export fewer devices or days at a time, or a row a time instead of a column a time.",
  }),
  "too-many-rows": () => ({
    what: "The file holds more than twelve million rows.",
    expected: "At most twenty years of minutes in one file.",
    remedy: "Cut it by years and drop the parts one after another. Nothing was stored.",
  }),
  "row-too-wide": () => ({
    what: "The table has more columns than any table of readings.",
    expected: "At most 600 columns in a sheet, 50,000 cells in a line of text.",
    remedy: "Export fewer devices at a time, or a row a time instead of a column a time. Nothing was stored.",
  }),
  "too-many-cells": () => ({
    what: "The workbook holds more than five million cells.",
    expected: "At most a decade of quarters of an hour in a dozen columns.",
    remedy: "Save the sheet as CSV, or cut it by years and drop the parts one after another. Nothing was stored.",
  }),
  "too-many-tags": () => ({
    what: "The XML holds more than thirty million elements.",
    expected: "At most forty years of quarters of an hour in one file.",
    remedy: "Export it by years and drop the parts one after another. Nothing was stored.",
  }),
  "xml-too-deep": () => ({
    what: "The elements of the XML lie deeper in one another than those of any file of readings.",
    expected: "At most forty levels.",
    remedy: "Export it again; this file is damaged or made up. Nothing was stored.",
  }),
  "repeated-header": (_f, n) => ({
    what: `The header comes again in ${rows(n)}.`,
    expected: "One header.",
    remedy: "These rows are left out.",
  }),
  "summary-row": (_f, n) => ({
    what: `${rows(n, "hold")} sums or remarks, no reading.`,
    expected: "A time in every row.",
    remedy: "They are left out.",
  }),
  "below-zero": (_f, n) => ({
    what: `In ${rows(n)} a value is below zero; output can't be negative.`,
    expected: "Zero or more from a production meter.",
    remedy: "They are kept as written, and the examination will propose what to do. If this is a net meter, choose the metering point net.",
  }),
  "weather-too-coarse": () => ({
    what: "The weather stands in steps longer than an hour.",
    expected: "Hours or finer; or twelve monthly means with the columns month and ghi_kwh_m2.",
    remedy: "Export hourly weather, or write the months as a table of means.",
  }),
  "mapping-unsure": (f) => ({
    what: `${f.question}`,
    expected: `One of: ${f.choices}. ${f.evidence}`,
    remedy: `Choose one${f.option ? ` (${f.option})` : ""}.`,
  }),
  "mapping-remembered": (f) => ({
    what: `Read as on ${f.on}: the columns are the same.`,
    expected: "The mapping that you confirmed then.",
    remedy: "Change it below if this file is another one.",
  }),
  "clock-read": (f) => ({
    what: `The times carry no offset; the sun says ${f.zone}, labels at the ${f.labels} of their interval.`,
    expected: `${f.days} days whose dawn and dusk fit to ${f.misfit} minutes.`,
    remedy: "Choose another clock if you know better.",
  }),
  "clock-unsure": (f) => ({
    what: `The times carry no offset, and no clock fits them throughout; the site's own (${f.zone}) is taken.`,
    expected: `A clock that puts dawn and dusk right; ${f.percent} % of the days stand over half an hour off.`,
    remedy: "Bring it in so: the examination shows which part of the series is wrong, and proposes what to do. Or choose another clock.",
  }),
  "labels-read": (f) => ({
    what: `Sunrise and sunset fit labels at the ${f.labels} of the interval.`,
    expected: `Taken as starts, the earliest labels stand ${f.earliest} min before sunrise and the latest ${f.latest} min after sunset.`,
    remedy: "Choose the other end if the logger's manual says so.",
  }),
  "labels-unsure": (f) => ({
    what: `Neither sunrise nor sunset tells which end of an interval a label marks; ${f.labels} is taken.`,
    expected: `Taken as starts, the earliest labels stand ${f.earliest} min before sunrise and the latest ${f.latest} min after sunset.`,
    remedy: "Choose start or end by the logger's manual.",
  }),
  "labels-by-clearness": (f) => ({
    what: "The labels mark the end of each interval.",
    expected: `Light as clear in the morning as in the afternoon: on ${f.days} clear days it is so with labels at the end, and not with labels at the start.`,
    remedy: "Choose the start if the logger's manual says so.",
  }),
  "future-times": (f, n) => ({
    what: `${rows(n, "lie")} in the future, up to ${f.last}.`,
    expected: "Readings of the past.",
    remedy: "Check the logger's date, and the order of day and month.",
  }),
  "broken-gzip": () => ({
    what: "The packed file ends in the middle or is damaged.",
    expected: "A whole gzip file.",
    remedy: "Copy or download it again.",
  }),
  "too-large": (f) => ({
    what: `The file holds ${f.sizeMb} MB.`,
    expected: `At most ${f.limitMb} MB at a time.`,
    remedy: "Pack it with gzip, or cut it by years and drop the parts one after another.",
  }),
  "cut-short": (f) => ({
    what: `Only ${f.received} of ${f.announced} bytes arrived.`,
    expected: "The whole file.",
    remedy: "Drop the file again. Nothing was stored.",
  }),
  "no-header": () => ({
    what: "The first line holds no column names.",
    expected: "A header such as “time,energy_kwh”.",
    remedy: "Write the column names into the first line.",
  }),
  "no-time-column": (f) => ({
    what: `No time column among: ${f.columns}.`,
    expected: "A column named time (or timestamp).",
    remedy: "Rename the column that holds the time of each row to “time”.",
  }),
  "no-value-column": (f) => ({
    what: `No column that the ledger knows among: ${f.columns}.`,
    expected: "Weather: ghi_w_m2, dni_w_m2, dhi_w_m2 or poa_w_m2. Production: energy_kwh, power_w or counter_kwh. Promise: month and kwh.",
    remedy: "Rename the columns so; the unit is part of the name.",
  }),
  "mixed-kinds": () => ({
    what: "The file holds weather and production side by side.",
    expected: "One kind a file.",
    remedy: "Split it into two files that both keep the time column.",
  }),
  "repeated-column": (f) => ({
    what: `The column ${f.column} appears twice.`,
    expected: "Each column once.",
    remedy: "Remove or rename one of them.",
  }),
  "ignored-columns": (f) => ({
    what: `Not read: ${f.columns}.`,
    expected: "Columns named as in the format.",
    remedy: "Leave it so, or rename the columns that matter.",
  }),
  "no-rows": () => ({
    what: "There is a header but no row.",
    expected: "At least two rows.",
    remedy: "Export the file again with its data.",
  }),
  "bad-time": (_f, n) => ({
    what: `In ${rows(n)} the time can't be read.`,
    expected: "ISO 8601, such as 2023-06-01T14:00+02:00 or 2023-06-01 14:00.",
    remedy: "Rewrite the time column in that form.",
  }),
  "zone-needed": (f) => ({
    what: "The times carry no offset from UTC.",
    expected: "Times with an offset, or a time zone chosen here.",
    remedy: `Choose the zone of the clock that wrote them${f.option ? ` (${f.option})` : ""}.`,
  }),
  "mixed-offsets": (_f, n) => ({
    what: `${rows(n, "lack")} the offset that other rows have.`,
    expected: "An offset on every row, or on none.",
    remedy: "Write the offset on every row.",
  }),
  "step-unknown": () => ({
    what: "The step between rows can't be told.",
    expected: "At least two different times.",
    remedy: "Bring a file with more than one interval.",
  }),
  "odd-step": (f) => ({
    what: `The usual step is ${f.minutes} minutes.`,
    expected: "A step that divides a day: 1, 2, 3, 5, 10, 15, 20, 30 or 60 minutes.",
    remedy: "Resample the series to one of these.",
  }),
  "off-grid": (f, n) => ({
    what: `${rows(n, "stand")} off the ${f.minutes}-minute grid of the others.`,
    expected: `Times a whole number of ${f.minutes}-minute steps apart.`,
    remedy: "Correct the times, or bring the odd rows as a file of their own.",
  }),
  "not-a-number": (_f, n) => ({
    what: `In ${rows(n)} a value is not a number.`,
    expected: "Digits with a decimal point or comma; nothing at all where a value is missing.",
    remedy: "Clear the text from these cells.",
  }),
  "free-note": (f, n) => ({
    what: `${rows(n, "have")} a kind of entry that changes no figure; kept as free notes.`,
    expected: `${f.expected}.`,
    remedy: "Nothing to do, unless one of these kinds was meant.",
  }),
  "out-of-range": (f, n) => ({
    what: `In ${rows(n)} a value lies outside what is possible.`,
    expected: String(f.expected),
    remedy: String(f.remedy),
  }),
  "json-too-long": (f) => ({
    what: "The list of objects is too long to be held at once.",
    expected: `At most ${f.limitMb} MB of text in one list.`,
    remedy: "Write an object a line instead of one list, or cut it by years. Nothing was stored.",
  }),
  "parquet-too-large": (f) => ({
    what: "The Parquet file holds more than can be read at once.",
    expected: `At most ${f.limitMb} MB, and ${f.mostCells} cells (rows by columns).`,
    remedy: "Cut it by years, keep the columns of time and readings alone, or export CSV. Nothing was stored.",
  }),
  "too-many-long-rows": (f) => ({
    what: "The table has one reading a row, and too many rows to be turned at once.",
    expected: `At most ${f.most} rows of one reading each.`,
    remedy: "Export a row a time with a column for each quantity, or cut it by years. Nothing was stored.",
  }),
  "broken-json": () => ({
    what: "This begins as JSON and is none.",
    expected: "A list of objects, or an object a line, each with its time and its readings.",
    remedy: "Export it again: it was cut short or changed by hand.",
  }),
  "broken-parquet": () => ({
    what: "This Parquet file can't be read.",
    expected: "A whole file of flat columns, plain or packed with Snappy.",
    remedy: "Write it again with Snappy or without packing, or export CSV.",
  }),
  "joined-date-parts": (f) => ({
    what: `The time stands in parts: ${f.columns}.`,
    expected: "One column of times, or its parts.",
    remedy: "Nothing to do: they are joined. Hours 1 to 24 are taken as the hours that they end.",
  }),
  "typical-year": (f) => ({
    what: "Its months are of several years, as those of a typical year are.",
    expected: "One year of hours.",
    remedy: `Nothing to do: all are read as ${f.year}.`,
  }),
  "interval-ends": (f) => ({
    what: `Each row names its beginning and, in “${f.column}”, its end.`,
    expected: "One time a row.",
    remedy: "Nothing to do: intervals follow on each other, and beginnings are read.",
  }),
  "modules-need-hours": (f) => ({
    what: `Single modules, read every ${f.minutes} minutes.`,
    expected: "Readings of an hour, or of a whole part of it: modules are held against each other in the same light.",
    remedy: "Export them by 5, 10, 15, 30 or 60 minutes. Daily sums of the whole plant come in as production.",
  }),
  "scaled-column": (f) => ({
    what: `“${f.by}” scales another column, as ${f.how === "exponent" ? "a power of ten" : "a factor"}.`,
    expected: "Numbers in a unit.",
    remedy: "Nothing to do: they are multiplied. Look at the picture of the readings: a plant's size must come out.",
  }),
  "unit-column": (f) => ({
    what: `The unit stands in a column of its own: ${f.unit} first.`,
    expected: "One unit a column.",
    remedy: "Nothing to do: rows in another unit are brought to it.",
  }),
  "long-table": (f) => ({
    what: `Each row holds one number and says of what: ${f.columns}.`,
    expected: "A row a time, a column a quantity.",
    remedy: "Nothing to do: each becomes a column of its own.",
  }),
  "seconds-to-minutes": () => ({
    what: "Readings stand seconds apart.",
    expected: "Steps of a minute or longer.",
    remedy: "Nothing to do: powers become means of minutes, energies their sums, counters their last reading.",
  }),
  "hours-missing": (_f, n) => ({
    what: `${rows(n, "hold")} no light or no air temperature: the file marks it as missing.`,
    expected: "A value an hour.",
    remedy: "Nothing to do: they count as missing, and the account says what was filled.",
  }),
  "night-offset": (_f, n) => ({
    what: `${rows(n, "have")} a slightly negative irradiance.`,
    expected: "0 at night; thermopile sensors read a few W/m² below it.",
    remedy: "Nothing to do: these are read as 0.",
  }),
  "short-row": (_f, n) => ({
    what: `${rows(n, "have")} fewer cells than the header.`,
    expected: "One cell a column.",
    remedy: "Complete the rows, or remove them.",
  }),
  "duplicate-rows": (_f, n) => ({
    what: `${rows(n, "repeat")} a row with the same time and values.`,
    expected: "Each interval once.",
    remedy: "Nothing to do: each is counted once.",
  }),
  "conflicting-rows": (_f, n) => ({
    what: `${rows(n, "repeat")} a time with another value.`,
    expected: "One value an interval.",
    remedy: "Remove the wrong row, or choose below to keep the first or the last of each.",
  }),
  "out-of-order": (_f, n) => ({
    what: `${rows(n, "step")} back in time.`,
    expected: "Rows in the order of time.",
    remedy: "Nothing to do: rows are put in order by their time.",
  }),
  "clock-doubled": (f, n) => ({
    what: `${rows(n, "fall")} in the hour that ${f.zone} shows twice when summer time ends.`,
    expected: "That hour twice in the file.",
    remedy: "Nothing to do: the first pass is read as summer time, the second as standard time.",
  }),
  "clock-skipped": (f, n) => ({
    what: `${rows(n, "name")} an hour that ${f.zone} skips when summer time begins.`,
    expected: "No row in that hour; the logger's clock may not keep summer time.",
    remedy: "They are read by the time before the change. If the clock never keeps summer time, choose its fixed offset as the zone.",
  }),
  "implausible-energy": (f, n) => ({
    what: `${rows(n, "hold")} more than this plant can make in one step.`,
    expected: `At most ${f.mostKwh} kWh in ${f.minutes} minutes.`,
    remedy:
      "Kept as they are; the ledger spreads a row over the gap before it, or else takes it as a data gap. If all rows look so, check the unit.",
  }),
  "wrong-kind": (f) => ({
    what: `This is a ${f.found} file.`,
    expected: `A ${f.expected} file.`,
    remedy: "Choose the other file, or the other option.",
  }),
  "unknown-meter": (f) => ({
    what: `The file names the meter ${f.meter}, which the site lacks.`,
    expected: `One of: ${f.known}.`,
    remedy: "Add the meter in the site chapter, or correct the column name.",
  }),
  "far-span": (f) => ({
    what: `The rows run from ${f.first} to ${f.last}.`,
    expected: "Times between 1990 and 2060.",
    remedy: "Check the year digits of the time column.",
  }),
  "bad-month": (_f, n) => ({
    what: `In ${rows(n)} the month can't be read.`,
    expected: "Jan to Dec, or 1 to 12, each once.",
    remedy: "Correct the month column.",
  }),
  "months-missing": (f) => ({
    what: `The file lacks ${f.months}.`,
    expected: "Twelve months.",
    remedy: "Add the missing rows; a promise of nothing is 0.",
  }),
  "already-imported": (f) => ({
    what: `This file is in the book already, as ${f.name} of ${f.on}.`,
    expected: "A file that brings something new.",
    remedy: "Nothing to do. Undo the earlier import first if you want to read it differently.",
  }),
  "year-needed": () => ({
    what: "Monthly means have no year of their own.",
    expected: "The year in which the hours made from them shall stand.",
    remedy: "Choose the year here.",
  }),
  "sky-overfull": (f) => ({
    what: `A month has more light than its sky lets through: ${f.message}.`,
    expected: "The horizontal irradiation of each month, kWh/m²: its sum, or the mean of a day as ghi_kwh_m2_day.",
    remedy: "Check the unit (MJ/m² divided by 3.6 is kWh/m²), the column's name and the site's latitude.",
  }),
  "other-place": (f) => ({
    what: `The file was made for ${f.there}, ${f.km} km from the site.`,
    expected: "Weather of the site's own climate.",
    remedy: "Nothing to do if the climates are alike; its hours are taken at the site's own sun.",
  }),
  "above-sky": (f, n) => ({
    what: `In ${rows(n)} (${f.percent} % of the lit ones) GHI lies above what the sky at ${f.latitude}°, ${f.longitude}° can give.`,
    expected: "GHI under 1.25 times the light above the air, and none at night.",
    remedy:
      "A few are clouds' edges and kept. If there are many: check the clock's zone, whether times mark the start or the end, the unit, and the site's place.",
  }),
  "diffuse-above-global": (_f, n) => ({
    what: `In ${rows(n)} DHI lies above GHI.`,
    expected: "Diffuse light is a part of the global.",
    remedy: "Kept, with no beam in those rows. If all rows look so, the two columns are swapped.",
  }),
  "beam-alone": () => ({
    what: "The file holds DNI but neither GHI nor DHI.",
    expected: "GHI, or DNI with DHI, or in-plane irradiance.",
    remedy: "Add the column ghi_w_m2 or dhi_w_m2.",
  }),
  "one-plane": (f) => ({
    what: `The light was measured in one plane, and the site has ${f.arrays} arrays in several.`,
    expected: "A sensor in the plane of the modules.",
    remedy: "It is taken for all arrays. Measured GHI would serve each in its own plane.",
  }),
  "warm-air": (f) => ({
    what: `The air's mean is ${f.mean} °C, warmer than anywhere on earth.`,
    expected: "Air temperature in °C.",
    remedy: "If the file is in Fahrenheit or Kelvin, convert it to Celsius and drop it again.",
  }),
  "site-field": (f) => ({
    what: `${f.path}: ${f.message}.`,
    expected: "A field as docs/formats.md has it.",
    remedy: "Correct the field and drop the file again.",
  }),
  "site-json": (f) => ({
    what: `The file is not JSON: ${f.message}.`,
    expected: "A site document in JSON.",
    remedy: "Correct it at that place.",
  }),
};

export const wordingOf = (problem: Problem): Wording => CATALOGUE[problem.code](problem.facts, problem.count);

/** Where a problem stands, in words: "row 412, energy_kwh: -3.2". */
export function placeInWords(place: Problem["places"][number]): string {
  const row = place.row === undefined ? "" : `row ${place.row}`;
  const cell = place.column === undefined ? "" : place.column;
  const at = [row, cell].filter(Boolean).join(", ");
  return place.value === undefined ? at : `${at}: ${place.value === "" ? "(empty)" : place.value}`;
}

/** One problem as plain lines, for the command line and logs. */
export function inPlainText(problem: Problem): string {
  const { what, expected, remedy } = wordingOf(problem);
  const places = problem.places.slice(0, 5).map(placeInWords).join("; ");
  const more = problem.count > 5 && problem.places.length > 0 ? ` and ${problem.count - 5} more` : "";
  return `${problem.severity}: ${what}${places ? ` (${places}${more})` : ""} Expected: ${expected} ${remedy}`;
}
