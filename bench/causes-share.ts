import { benchLedger, seek } from "./causes";

/** Searches until the time of one settles. */
const WARM = 16;

/** One worker's share of sites, five years each: prints the milliseconds that the search took. */
const [from, to] = process.argv.slice(2).map(Number) as [number, number];
const ledgers = Array.from({ length: to - from }, (_, k) => benchLedger(5, 60, from + k));
// A worker lives for weeks: what its first searches take to be compiled is not what a site costs.
for (const ledger of ledgers.slice(0, WARM)) seek(ledger);
const started = performance.now();
for (const ledger of ledgers) seek(ledger);
process.stdout.write(String(performance.now() - started));
