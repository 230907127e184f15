import { pathToFileURL } from "node:url";
import { ensurePrograms, program } from "./lib/bundle.mjs";

/** A worker in this process. */
await ensurePrograms();
await import(pathToFileURL(program("worker")).href);
