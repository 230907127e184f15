import { ageingCommand } from "./ageing";
import { readArguments } from "./arguments";
import { benchCommand } from "./bench";
import { expectCommand } from "./expect";
import { moneyCommand } from "./money";
import { printText } from "./print";
import { reconcileCommand } from "./reconcile";
import { CliRefusal } from "./refuse";

const HELP = `npm run -s ledger -- COMMAND [options] [--json]

  expect     --site S --weather W [--from 2023-01 --to 2023-12]
  reconcile  --site S --weather W --production P [--events E] [--promise Q]
  ageing     --site S --weather W --production P [--events E]
  money      --site S [--bills B] [--weather W] [--production P] [--promise Q] [--price 0.178] [--price-rise 0.03] [--basis metered|expected|promise]
  bench tilt    --site S [--weather W] [--array A] [--goal energy|winter|money|flattest]
  bench shade   --site S [--weather W]
  bench rows    --site S [--array A] [--from 10 --to 14]
  bench case    --site S [--weather W] [--case cleaning|new-roof|tree|…] [--with each=80,rate=0.06] [--price 0.178]
  bench loan    --site S --rate 0.07 --years 20 [--principal 14000.00]
  bench compass --site S --reading 349 [--date 2026-05-10]
  bench spot-check       --site S --with light=165,temp=22,voc=45.1,isc=0.80[,v=,a=,series=1,maxV=1000,maxA=20] [--module M]
  bench inverter-reading --site S --inputs 560x9.1x2,556x9.0x2 [--with acW=9800,light=720,temp=18,acV=,acA=,phases=3,dayKwh=,lifetimeKwh=] [--date 2026-06-12T11:10Z]
  bench mixed-string     --site S --strings FILE [--weather W]
  bench cable            --site S [--weather W] [--array A] [--with length=30,temp=50,price=0.15,years=25,perM=0.5,perMm2=0.22]
  bench modules          --site S [--weather W] [--modules "M1,M2"] [--with perW=0.24,electronics=0,racking=35,fixed=2500]
  bench snow             --site S --weather W [--array A]
  bench loads            --site S [--weather W] --loads FILE
  bench trial            --site S --production P [--weather W] [--a METER --b METER] [--from 2025-02-14 --to 2025-12-13]
  bench change           --site S --production P --weather W --on 2023-06-28 [--meter M] [--days 365]

Where a file leaves it open: --weather-zone, --production-zone (Europe/Madrid or UTC+01:00), --weather-labels, --production-labels start|end,
--production-unit kWh|Wh|W|kW|counter, --production-dates dmy|mdy, --fiscal-years start|end, --map FILE (a column mapping),
--accept sure|none|all (remedies of the examination; sure by default),
--conflicts refuse|first|last. Files may be gzipped. Exit 0, or 2 with a message for bad input.`;

const COMMANDS = {
  expect: expectCommand,
  reconcile: reconcileCommand,
  ageing: ageingCommand,
  money: moneyCommand,
  bench: benchCommand,
} as const;

try {
  const { command, name, options } = readArguments(process.argv.slice(2));
  const run = COMMANDS[command as keyof typeof COMMANDS];
  if (!run && command !== "help") throw new CliRefusal(`There is no command ${command}.\n\n${HELP}`);
  if (!run || options.help) printText(HELP);
  else await run(options, name);
} catch (error) {
  if (!(error instanceof CliRefusal)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 2;
}
