import { moneyReportSchema } from "@/contracts/money";
import { siteSchema } from "@/contracts/site";
import { type EnergyBasis, moneyOf } from "@/core/money";
import { type CliOptions, oneOf } from "./arguments";
import { printJson, printNotices, printText, textTable } from "./print";
import { ledgerFromFiles } from "./read-files";
import { CliRefusal } from "./refuse";

const BASES = ["metered", "expected", "promise"] as const;

/** `money`: simple payback, and payback with price rise and ageing, year by year. */
export async function moneyCommand(options: CliOptions): Promise<void> {
  if (options.bills)
    throw new CliRefusal("--bills: savings from bills are not reckoned by this edition. Leave it out and give the price: --price 0.178.");
  const ledger = await ledgerFromFiles(options);
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
  const report = moneyReportSchema.parse(moneyOf(checked.data, ledger.report.months, ledger.promise, basis));
  if (options.json) return printJson(report);
  if (!report.payback)
    throw new CliRefusal(
      `No payback: ${report.missing.join(", ")} missing. A cost stands in the site file under money.costs; a price there or as --price; energy comes from --weather, --production or --promise.`,
    );
  const years = (value: number | null): string => (value === null ? "not within the horizon" : `${value.toFixed(2)} years`);
  printText(
    `Net cost ${report.payback.netCost} ${report.currency}; first year ${report.payback.firstYearValue} ${report.currency} (${report.basis} energy).`,
  );
  printText(`Simple payback: ${years(report.payback.simpleYears)}. With price rise and ageing: ${years(report.payback.risingYears)}.\n`);
  printText(
    textTable(
      ["year", "kWh", "a kWh", "saved", "balance"],
      report.payback.years.map((year) => [String(year.year), year.energyKwh, year.valuePerKwh, year.value, year.balance]),
    ),
  );
}
