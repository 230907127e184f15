import { packNeighbours } from "@/contracts/neighbours";
import { hourlyReadings, neighbourReport } from "@/core/neighbours";
import { say } from "@/wording/cli";
import { number } from "@/wording/format";
import { oddInWords, oddNames } from "@/wording/neighbours";
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
  const yearKwh = odd.reduce((sum, { lostPerYearKwh }) => sum + lostPerYearKwh, 0);
  printText(odd.length === 0 ? say.allGiveTheSame(modules.length) : say.oddOf(odd.length, modules.length, number(yearKwh)));
  if (swapped.length > 0) printText(say.namesMixedUp(swapped.map((pair) => pair.join(" and ")).join("; ")));
  if (odd.length > 0)
    printText(
      textTable(
        ["module", say.kwhAYear, "±", "cause", say.itsReadings],
        odd.map((line) => [
          line.id,
          line.lostPerYearKwh.toFixed(1),
          line.halfPerYearKwh.toFixed(1),
          oddNames[line.cause],
          oddInWords(line),
        ]),
      ),
    );
}
