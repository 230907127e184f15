import { runLedger } from "./program";
import { CliRefusal } from "./refuse";

try {
  await runLedger(process.argv.slice(2), process.env.DUSTY_LEDGER_VERSION ?? "development");
} catch (error) {
  if (!(error instanceof CliRefusal)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 2;
}
