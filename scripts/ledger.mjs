import { pathToFileURL } from "node:url";
import { ensurePrograms, program } from "./lib/bundle.mjs";

/** The command line: bundles it where its sources changed, then runs it in this process. */
await ensurePrograms();
await import(pathToFileURL(program("ledger")).href);
