import { createReadStream, existsSync } from "node:fs";
import type { BillDocument } from "@/contracts/bills";
import { type BillsReport, type MoneyReport, moneyReportSchema } from "@/contracts/money";
import { siteSchema } from "@/contracts/site";
import { billFaults, type EnergyBasis, type Payback, paybackSpread } from "@/core/money";
import { readBills } from "@/formats/bills-csv";
import { attribute } from "@/usecases/attribution";
import { moneyPage } from "@/usecases/money";
import { say } from "@/wording/cli";
import { billFaultWords, noReturnWords } from "@/wording/money";
import { inPlainText } from "@/wording/problems";
import { type CliOptions, oneOf } from "./arguments";
import { printJson, printNotices, printText, textTable } from "./print";
import { ledgerFromFiles } from "./read-files";
import { CliRefusal } from "./refuse";

const BASES = ["metered", "expected", "promise"] as const;
const METHOD_WORDS = {
  "re-run": say.tariffRunAgainWithoutTheArray,
  "old-average": say.oldAveragePrice,
  "flat-value": say.flatWorthOfProduction,
} as const;

/** `money`: paybacks in their named ways, and with `--bills` the savings by three methods and the payback at the rate of the bills. */
export async function moneyCommand(options: CliOptions): Promise<void> {
  const ledger = await ledgerFromFiles(options);
  const bills = options.bills === undefined ? [] : await billsOf(options.bills, ledger.site.commissioned, ledger.notices as string[]);
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
  const breakEven = terms && page.report.basis && paybackSpread(terms, page.doubts[page.report.basis]);
  if (options.json) return printJson("money", { ...report, breakEven, bills: fromBills, plans: comparison });
  if (fromBills) printBills(fromBills);
  if (!report.payback) {
    if (fromBills) return;
    throw new CliRefusal(say.noPaybackMissingACostStands(report.missing.join(", ")));
  }
  printPayback({ ...report, payback: report.payback, energy: `${report.basis} energy` });
  if (breakEven)
    printText(
      say.interval95(
        breakEven.low.toFixed(1),
        Number.isFinite(breakEven.high) ? `${breakEven.high.toFixed(1)} years` : say.beyondTheHorizon,
      ),
    );
}

async function billsOf(file: string, commissioned: string | null, notices: string[]): Promise<readonly BillDocument[]> {
  if (!existsSync(file)) throw new CliRefusal(say.thereIsNoSuchFileCheck(file));
  const { bills, problems } = await readBills(createReadStream(file));
  const errors = problems.filter(({ severity }) => severity === "error");
  if (errors.length > 0) throw new CliRefusal(errors.map((problem) => `${file}: ${inPlainText(problem)}`).join("\n"));
  const faults = billFaults(bills, commissioned);
  const fatal = faults.filter(({ isFatal }) => isFatal);
  const words = (fault: (typeof faults)[number]): string => `${file}: ${Object.values(billFaultWords(fault)).join(" ")}`;
  if (fatal.length > 0) throw new CliRefusal(fatal.map(words).join("\n"));
  notices.push(...faults.map(words));
  return bills;
}

function printBills({ methods, currency, naivePerYear, runRates, missing, planTest }: BillsReport): void {
  if (missing.length > 0) printText(say.notToldForWantOf(missing.join(", ")));
  printText(
    textTable(
      [`saved, ${currency}`, "months", "total", "a year", say.paidBackOn, "years"],
      methods.map((method) => {
        const rate = runRates.find((each) => each.method === method.method);
        return [
          METHOD_WORDS[method.method],
          method.months,
          method.isRange ? `${method.low} to ${method.high}` : method.total,
          method.perYear ?? `${method.perYearLow} to ${method.perYearHigh}`,
          rate?.paidBackOn ?? "-",
          rate?.years?.toFixed(2) ?? "-",
        ];
      }),
    ),
  );
  const trusted = methods.find(({ method }) => method === "re-run");
  if (trusted?.low) printText(say.theReRunLiesBetweenAnd(trusted.low, trusted.high));
  if (naivePerYear !== null) printText(say.meanBillBeforeLessMeanBill(naivePerYear));
  if (planTest) printText(say.thePlanRunOverPrintedBills(planTest.months, planTest.exact, planTest.offTotal, currency));
}

interface PrintedPayback {
  readonly payback: Payback;
  readonly counted: MoneyReport["counted"];
  readonly energy: string;
  readonly currency: string;
}

function printPayback({ payback, counted, energy, currency }: PrintedPayback): void {
  const years = (value: number | null): string => (value === null ? say.notWithinTheHorizon : `${value.toFixed(2)} years`);
  printText(say.netCostFirstYear(payback.netCost, currency, payback.firstYearValue, energy));
  if (counted.on !== null) printText(say.countedFrom(counted.on, counted.because === "first-cost"));
  printText(say.simplePaybackWithPriceRiseAgeing(years(payback.simpleYears), years(payback.risingYears), years(payback.discountedYears)));
  const { kind, rates } = payback.returnPerYear;
  printText(
    say.netPresentValueLevelisedCostA(
      payback.netPresentValue,
      payback.levelisedPerKwh ?? "-",
      kind === "one"
        ? say.returnAYearAsADeposit((rates[0]! * 100).toFixed(2), ((payback.depositFrac ?? 0) * 100).toFixed(2))
        : noReturnWords(kind, rates),
    ),
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
