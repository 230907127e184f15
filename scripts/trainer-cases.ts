import { writeFile } from "node:fs/promises";
import path from "node:path";
import { type RandomPlant, randomPlant } from "../simulators";
import { dayBins } from "../src/core/time";
import { simulate } from "./accuracy-rows";

/** Six made-up months for the trainer: what the book expected, what was metered, the weather beside it, and what it really was. */
interface Wanted {
  readonly id: string;
  readonly title: string;
  readonly question: string;
  readonly lesson: string;
  readonly k: number;
  readonly month: string;
  readonly truth: Partial<RandomPlant["truth"]>;
  readonly answer: string;
}

const WANTED: readonly Wanted[] = [
  {
    id: "bad-february",
    title: "A bad February",
    question: "Half of the month is missing. The owner thinks of the inverter. What was it?",
    lesson: "Output falls after each fall of snow and comes back over days, not within an hour: snow. An outage begins and ends at once.",
    k: 1,
    month: "2022-02",
    truth: { outages: [], stringsOut: [] },
    answer: "snow",
  },
  {
    id: "nine-days",
    title: "Nine days of nothing",
    question: "The month is a third short, and the sky was clear. What was it?",
    lesson: "Zero under full light, with a sharp edge on both sides and no snow: downtime.",
    k: 0,
    month: "2022-06",
    truth: { outages: [{ from: "2022-06-08T10:00:00Z", to: "2022-06-17T09:00:00Z" }], stringsOut: [] },
    answer: "downtime",
  },
  {
    id: "quarter",
    title: "A quarter less, every day",
    question: "From the ninth on each day gives the same share less, clear or dull. What was it?",
    lesson: "A level that drops within a day to a whole part, here three quarters, and stays: a string is out. It is posted as downtime.",
    k: 0,
    month: "2021-05",
    truth: { outages: [], stringsOut: [{ from: "2021-05-09T11:00:00Z", to: "2021-08-20T09:00:00Z", lostFrac: 0.25 }] },
    answer: "downtime",
  },
  {
    id: "slow-summer",
    title: "A slow summer",
    question: "No day looks wrong, yet the month ends a tenth short, and each week is a little worse. What was it?",
    lesson: "A slow decline in dry weather that ends with rain or a brush: dirt.",
    k: 0,
    month: "2022-08",
    truth: { outages: [], stringsOut: [], soilingPerDayFrac: 0.0024, cleanings: [] },
    answer: "soiling",
  },
  {
    id: "silent-logger",
    title: "A silent logger",
    question: "A week is missing altogether. Is the energy lost?",
    lesson: "No reading is not no energy: the time is set apart as a data gap, and is no loss.",
    k: 3,
    month: "2022-07",
    truth: { outages: [], stringsOut: [], lost: [{ from: "2022-07-10T03:00:00Z", to: "2022-07-17T05:00:00Z" }] },
    answer: "dataGap",
  },
  {
    id: "nothing",
    title: "Nothing at all",
    question: "The owner is worried: eight per cent under last year's month. What was it?",
    lesson: "Set against the weather that came, the month is paid in full. Last year's sun was brighter: there is nothing to post.",
    k: 2,
    month: "2022-09",
    truth: { outages: [], stringsOut: [], soilingPerDayFrac: 0.0001 },
    answer: "none",
  },
];

const cases = WANTED.map(({ id, title, question, lesson, k, month, truth, answer }) => {
  const plant = randomPlant(k, false);
  const { ledger, report } = simulate({ ...plant, lastUtc: "2023-06-01T00:00:00Z", truth: { ...plant.truth, ...truth } });
  const { axis } = ledger.weather!;
  const bins = dayBins(axis, ledger.site.place.timeZone);
  const days = bins.keys.filter((day) => day.startsWith(month));
  const sum = (column: ArrayLike<number>, factor = 1): (number | null)[] =>
    days.map((day) => {
      let [total, known] = [0, 0];
      for (let i = 0; i < axis.count; i++) {
        if (bins.keys[bins.binOf[i]!] !== day || Number.isNaN(column[i]!)) continue;
        total += column[i]! * factor;
        known++;
      }
      return known > 0 ? Math.round(total * 10) / 10 : null;
    });
  const most = (column: Float64Array | null): number[] | null =>
    column && days.map((day) => Math.round(Math.max(...column.filter((_, i) => bins.keys[bins.binOf[i]!] === day))));
  const [planned, actual] = [ledger.report.months, report.months].map((lines) => lines.find(({ key }) => key === month)!) as [
    typeof report.all,
    typeof report.all,
  ];
  const told = answer === "dataGap" ? actual.dataGapKwh : answer === "none" ? 0 : actual.accountsKwh[answer as "snow"];
  return {
    id,
    title,
    question,
    lesson,
    month,
    days,
    expectedKwh: sum(ledger.run!.expectedKwh),
    meteredKwh: sum(ledger.metered!.kwh),
    rainMm: sum(ledger.weather!.rainMm ?? []),
    snowCm: most(ledger.weather!.snowDepthCm ?? null),
    answer,
    answerKwh: Math.round(told),
    missingKwh: Math.round(planned.expectedKwh - (planned.meteredKwh ?? 0)),
  };
});
await writeFile(path.join(import.meta.dirname, "..", "generated", "trainer-cases.json"), `${JSON.stringify(cases)}\n`);
console.log(cases.map(({ id, missingKwh, answer, answerKwh }) => `${id}: ${missingKwh} kWh missing, ${answer} ${answerKwh}`).join("\n"));
