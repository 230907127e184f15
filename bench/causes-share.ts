import { benchLedger, seek } from "./causes";

/** One worker's share of sites, five years each: prints the milliseconds that the search took. */
const [from, to] = process.argv.slice(2).map(Number) as [number, number];
const ledgers = Array.from({ length: to - from }, (_, k) => benchLedger(5, 60, from + k));
const started = performance.now();
for (const ledger of ledgers) seek(ledger);
process.stdout.write(String(performance.now() - started));
