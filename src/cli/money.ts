import { createReadStream, existsSync } from "node:fs";
import type { BillDocument } from "@/contracts/bills";
import { type BillsReport, moneyReportSchema } from "@/contracts/money";
import { siteSchema } from "@/contracts/site";
import { billFaults, type EnergyBasis, type Payback, paybackSpread, USUAL_DOUBTS } from "@/core/money";
import { readBills } from "@/formats/bills-csv";
import { attribute } from "@/usecases/attribution";
import { moneyPage } from "@/usecases/money";
import { billFaultWords, noReturnWords } from "@/wording/money";
import { inPlainText } from "@/wording/problems";
import { type CliOptions, oneOf } from "./arguments";
import { printJson, printNotices, printText, textTable } from "./print";
import { ledgerFromFiles } from "./read-files";
import { CliRefusal } from "./refuse";

const BASES = ["metered", "expected", "promise"] as const;
const METHOD_WORDS = {
  "re-run": "tariff run again without the array (trust this one)",
  "old-average": "old average price",
  "flat-value": "flat worth of production",
} as const;

/** `money`: paybacks in their named ways, and with `--bills` the savings in three schools and the payback at the rate of the bills. */
export async function moneyCommand(options: CliOptions): Promise<void> {
  const ledger = await ledgerFromFiles(options);
  const bills = options.bills === undefined ? [] : await billsOf(options.bills, ledger.notices as string[]);
  printNotices(ledger.notices);
  const { money } = ledger.site;
  const tariff = {
    ...money.tariff,
    ...(options.price === undefined ? {} : { importPerKwh: options.price }),
    ...(options["price-rise"] === undefined ? {} : { priceRisePerYearFrac: Number(options["price-rise"]) }),
  };
  const checked = siteSchema.safeParse({ ...ledger.site, money: { ...money, tariff } });
  if (!checked.success) throw new CliRefusal(checked.error.issues.map((issue) => `${issue.path.join(".")}: ${issue.message}.`).join("\n"));
  const basis: EnergyBasis | null = options.basis === undefined ? null : oneOf(options.basis, BASES, "metered", "basis");
  const causes = ledger.metered ? attribute({ ledger, entries: ledger.entries }) : null;
  const page = moneyPage({ site: checked.data, ledger: { ...ledger, site: checked.data }, bills, causes, basis });
  const { terms, ...rest } = page.report;
  const report = moneyReportSchema.parse(rest);
  const { billsReport: fromBills, comparison } = page;
  const breakEven = terms && paybackSpread(terms, USUAL_DOUBTS);
  if (options.json) return printJson({ ...report, breakEven, bills: fromBills, plans: comparison });
  if (fromBills) printBills(fromBills);
  if (!report.payback) {
    if (fromBills) return;
    throw new CliRefusal(
      `No payback: ${report.missing.join(", ")} missing. A cost stands in the site file under money.costs; a price there or as --price; energy comes from --weather, --production or --promise.`,
    );
  }
  printPayback(report.payback, `${report.basis} energy`, report.currency);
  if (breakEven)
    printText(
      `Under doubt 95 of 100 draws lie between ${breakEven.low.toFixed(1)} and ${Number.isFinite(breakEven.high) ? `${breakEven.high.toFixed(1)} years` : "beyond the horizon"}.`,
    );
}

async function billsOf(file: string, notices: string[]): Promise<readonly BillDocument[]> {
  if (!existsSync(file)) throw new CliRefusal(`${file}: there is no such file. Check the path.`);
  const { bills, problems } = await readBills(createReadStream(file));
  const errors = problems.filter(({ severity }) => severity === "error");
  if (errors.length > 0) throw new CliRefusal(errors.map((problem) => `${file}: ${inPlainText(problem)}`).join("\n"));
  const faults = billFaults(bills);
  const fatal = faults.filter(({ isFatal }) => isFatal);
  const words = (fault: (typeof faults)[number]): string => `${file}: ${Object.values(billFaultWords(fault)).join(" ")}`;
  if (fatal.length > 0) throw new CliRefusal(fatal.map(words).join("\n"));
  notices.push(...faults.map(words));
  return bills;
}

function printBills({ methods, currency, naivePerYear, runRates, missing, planTest }: BillsReport): void {
  if (missing.length > 0) printText(`Not told for want of: ${missing.join(", ")}.`);
  printText(
    textTable(
      [`saved, ${currency}`, "months", "total", "a year", "paid back on", "years"],
      methods.map((method) => {
        const rate = runRates.find((each) => each.method === method.method);
        return [
          METHOD_WORDS[method.method],
          method.months,
          method.total,
          method.perYear,
          rate?.paidBackOn ?? "-",
          rate?.years?.toFixed(2) ?? "-",
        ];
      }),
    ),
  );
  const trusted = methods.find(({ method }) => method === "re-run");
  if (trusted?.low)
    printText(`The re-run lies between ${trusted.low} and ${trusted.high}: when energy was used, and the meter, leave that open.`);
  if (naivePerYear !== null) printText(`Mean bill before less mean bill after: ${naivePerYear} a year; weather, use and prices are in it.`);
  if (planTest)
    printText(
      `The plan run over ${planTest.months} printed bills: ${planTest.exact} to the cent, ${planTest.offTotal} ${currency} in all.\n`,
    );
}

function printPayback(payback: Payback, energy: string, currency: string): void {
  const years = (value: number | null): string => (value === null ? "not within the horizon" : `${value.toFixed(2)} years`);
  printText(`Net cost ${payback.netCost} ${currency}; first year ${payback.firstYearValue} ${currency} (${energy}).`);
  printText(
    `Simple payback: ${years(payback.simpleYears)}. With price rise, ageing and upkeep: ${years(payback.risingYears)}. Discounted: ${years(payback.discountedYears)}.`,
  );
  const { kind, rates } = payback.returnPerYear;
  printText(
    `Net present value ${payback.netPresentValue}; levelised cost ${payback.levelisedPerKwh ?? "-"} a kWh; ${
      kind === "one"
        ? `return ${(rates[0]! * 100).toFixed(2)} % a year, as a deposit at ${((payback.depositFrac ?? 0) * 100).toFixed(2)} % before tax`
        : noReturnWords(kind, rates)
    }.\n`,
  );
  printText(
    textTable(
      ["year", "kWh", "a kWh", "saved", "upkeep", "once", "balance", "discounted"],
      payback.years.map((year) => [
        String(year.year),
        year.energyKwh,
        year.valuePerKwh,
        year.value,
        year.upkeep,
        year.once,
        year.balance,
        year.discountedBalance,
      ]),
    ),
  );
}
