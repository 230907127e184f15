import { packNeighbours } from "@/contracts/neighbours";
import { hourlyReadings, neighbourReport } from "@/core/neighbours";
import { say } from "@/wording/cli";
import { number } from "@/wording/format";
import { lossUnit, oddInWords, oddNames } from "@/wording/neighbours";
import type { CliOptions } from "./arguments";
import { printJson, printNotices, printText, textTable } from "./print";
import { readModules, readSiteFile } from "./read-files";

/** `neighbours`: single modules held against each other, and the odd ones with what they lose. */
export async function neighboursCommand(options: CliOptions): Promise<void> {
  const notices: string[] = [];
  const site = await readSiteFile(options);
  const columns = await readModules(options, site, notices);
  printNotices(notices);
  const report = packNeighbours(neighbourReport(site, hourlyReadings(columns)));
  const { odd, modules, swapped } = report;
  if (options.json) return printJson("neighbours", { ...report, odd: odd.map((line) => ({ ...line, words: oddInWords(line) })) });
  if (modules.length === 0) return printText(say.noneHasNeighbours);
  const less = odd.filter(({ told }) => told.kwh > 0);
  const sum = `${number(less.reduce((kwh, { told }) => kwh + told.kwh, 0))} ${lossUnit(report)}`;
  printText(less.length === 0 ? say.allGiveTheSame(modules.length) : say.oddOf(less.length, modules.length, sum));
  if (swapped.length > 0) printText(say.namesMixedUp(swapped.map((pair) => pair.join(" and ")).join("; ")));
  if (odd.length > 0)
    printText(
      textTable(
        ["module", lossUnit(report), "±", "cause", say.itsReadings],
        odd.map((line) => [line.id, line.told.kwh.toFixed(1), line.told.halfKwh.toFixed(1), oddNames[line.cause], oddInWords(line)]),
      ),
    );
}
