import type { z } from "zod";
import { inverterReadingSchema, spotReadingSchema } from "@/contracts/electrical";
import type { SiteDocument } from "@/contracts/site";
import { changeQuestionSchema, TRIAL_DRAWS, TRIAL_SEED, trialQuestionSchema } from "@/contracts/trial";
import { checkInverter, spotCheck, spotDoubts } from "@/core/electrical";
import { knownCircuit, nameplateW, partOfSite, siteAcRatedW } from "@/core/site";
import { beforeAfter, runTrial } from "@/core/trial";
import { momentPower } from "@/core/yield";
import { changeDays, trialMeters, trialSources } from "@/usecases/trials";
import { say } from "@/wording/cli";
import { doubtInWords, inverterFindingInWords, judgedInWords, spotInWords } from "@/wording/electrical";
import { changeVerdict, differencesInWords, naiveReasons, trialVerdict } from "@/wording/trial";
import { type CliOptions, needed, oneOf } from "./arguments";
import { printJson, printNotices, printText, textTable } from "./print";
import { ledgerFromFiles } from "./read-files";
import { CliRefusal } from "./refuse";
import { withFigures } from "./with-figures";

const METER = { maxV: 1000, maxA: 20 };

function checked<S extends z.ZodType>(schema: S, value: unknown): z.output<S> {
  const read = schema.safeParse(value);
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  throw new CliRefusal(`${issue?.path.join(".") ?? ""}: ${issue?.message ?? say.isNotUnderstood}.`);
}

/** `bench spot-check`: light, temperature and a multimeter against the single-diode model. */
export function spotBench(site: SiteDocument, options: CliOptions): void {
  const names = Object.keys(site.modules);
  const name = oneOf(options.module, names, names[0]!, "module");
  const figures = withFigures(
    options.with,
    { light: null, temp: null, air: null, panes: 0, voc: null, isc: null, v: null, a: null, series: 1, maxV: METER.maxV, maxA: METER.maxA },
    ["light"],
  );
  const reading = checked(spotReadingSchema, {
    irradianceWm2: figures.light,
    moduleTempC: figures.temp,
    airTempC: figures.air,
    panes: figures.panes,
    vocV: figures.voc,
    iscA: figures.isc,
    operatingV: figures.v,
    operatingA: figures.a,
  });
  const series = figures.series ?? 1;
  const meter = { maxV: figures.maxV ?? METER.maxV, maxA: figures.maxA ?? METER.maxA };
  const doubts = spotDoubts(reading, series, meter);
  if (doubts.length > 0) throw new CliRefusal(doubts.map((doubt) => doubtInWords(doubt, reading, meter, series)).join("\n"));
  const known = knownCircuit(site.modules[name]!);
  if (!known) throw new CliRefusal(say.moduleLacksFiguresOfItsDatasheet(name));
  const report = spotCheck(
    { reference: known.reference, modulesInSeries: series, bypassDiodes: site.modules[name]!.bypassDiodes, spread: known },
    reading,
  );
  if (options.json) {
    printJson("bench-spot-check", { module: name, reading, ...report, verdict: spotInWords(report) });
    return;
  }
  printText([spotInWords(report), ...report.judged.map(judgedInWords)].join("\n"));
}

/** `bench inverter-reading`: a display against itself, the book and the light. `--inputs 560x9.1x2,556x9.0x2`: volts x amperes x strings. */
export function inverterBench(site: SiteDocument, options: CliOptions): void {
  const [first] = site.inverters;
  if (!first) throw new CliRefusal(say.theSiteHasNoInverterA);
  const figures = withFigures(
    options.with,
    { acV: null, acA: null, acW: null, phases: 1, dayKwh: null, lifetimeKwh: null, light: null, temp: 15 },
    [],
  );
  const inputs = needed(options.inputs, "inputs", say.voltsXAmperesXStringsOf).split(",");
  const reading = checked(inverterReadingSchema, {
    inputs: inputs.map((text) => {
      const [dcV, dcA, strings = 1] = text.split("x").map(Number);
      return { dcV, dcA, strings };
    }),
    acV: figures.acV,
    acA: figures.acA,
    acW: figures.acW,
    phases: figures.phases,
    dayKwh: figures.dayKwh,
    lifetimeKwh: figures.lifetimeKwh,
  });
  const own = partOfSite(site, first.arrays);
  const utcMs = options.date === undefined ? Date.now() : Date.parse(options.date);
  if (Number.isNaN(utcMs)) throw new CliRefusal(say.dateWriteAnInstantAs2026(options.date));
  const moment = momentPower(own, { utcMs, ghiWm2: null, poaWm2: figures.light, airTempC: figures.temp ?? 15 });
  const report = checkInverter(reading, {
    nameplateW: nameplateW(own),
    acRatedW: siteAcRatedW(own),
    ratedEfficiencyFrac: first.ratedEfficiencyFrac,
    maxDcV: first.maxDcV,
    expectedW: moment.expectedW,
    expectedOffFrac: figures.light === null ? 0.5 : 0.15,
  });
  if (options.json) {
    printJson("bench-inverter-reading", { inverter: first.id, ...report, moment });
    return;
  }
  printText(report.findings.map((finding) => inverterFindingInWords(finding, report)).join("\n"));
}

/** `bench trial`: two meters of one production file against each other. */
export async function trialBench(options: CliOptions): Promise<void> {
  const ledger = await ledgerFromFiles(withoutDays(options));
  printNotices(ledger.notices);
  const known = trialMeters(ledger.site, ledger.production).map(({ id }) => id);
  if (known.length < 2) throw new CliRefusal(say.aTrialNeedsReadingsOfTwo(known.join(", ") || "none"));
  const question = checked(trialQuestionSchema, {
    a: oneOf(options.a, known, known[0]!, "a"),
    b: oneOf(options.b, known, known[1]!, "b"),
    from: options.from ?? null,
    to: options.to ?? null,
  });
  const report = runTrial({ ...trialSources(question, ledger, ledger.production), draws: TRIAL_DRAWS, seed: TRIAL_SEED });
  if (!report) throw new CliRefusal(say.theTwoSidesShareNoLit);
  if (options.json) {
    printJson("bench-trial", { ...question, verdict: trialVerdict(report).text, ...report, differs: differencesInWords(report.differs) });
    return;
  }
  printText(`${trialVerdict(report).text}\n`);
  printText(
    textTable(
      [say.kwhAKilowattPeak, report.a.name, report.b.name, "difference"],
      [
        [`paired, ${report.pairedDays} days`, sum(report.months, "a"), sum(report.months, "b"), percent(report.difference.frac)],
        ...(report.year ? [[say.wholeYearBySeason, report.year.a, report.year.b, percent(report.year.frac)]] : []),
        [say.rawStretchedByDays, report.naive.a, report.naive.b, percent(report.naive.frac)],
      ],
    ),
  );
  printText(
    say.whyTheRawFigureIsAnother(
      naiveReasons(report)
        .map((reason) => `- ${reason}`)
        .join("\n"),
    ),
  );
}

/** `bench change`: before and after an intervention, through the weather. */
export async function changeBench(options: CliOptions): Promise<void> {
  const ledger = await ledgerFromFiles(withoutDays(options));
  printNotices(ledger.notices);
  const question = checked(changeQuestionSchema, {
    on: needed(options.on, "on", say.dayOfTheChangeSuchAs),
    meter: options.meter ?? "",
    days: options.days ?? 365,
  });
  const days = changeDays(question, ledger, ledger.production);
  const change = beforeAfter(days.before, days.after, TRIAL_DRAWS, TRIAL_SEED);
  if (!change) throw new CliRefusal(say.tooFewReadableDaysAroundBefore(question.on, days.before.length, days.after.length));
  if (options.json) {
    printJson("bench-change", { ...question, leftOut: days.leftOut, verdict: changeVerdict(change), ...change });
    return;
  }
  printText(changeVerdict(change));
}

/** A trial's days are no months of a ledger. */
function withoutDays({ from: _from, to: _to, ...rest }: CliOptions): CliOptions {
  return rest;
}

const sum = (groups: readonly { a: number; b: number }[], side: "a" | "b"): number =>
  groups.reduce((total, group) => total + group[side], 0);
const percent = (frac: number): string => `${(frac * 100).toFixed(1)} %`;
