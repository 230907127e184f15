import { mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { kindOf, writeStandIn } from "../../simulators/stand-ins";
import { claimsOf } from "./claims";
import { judged } from "./judge";
import { readPlant } from "./plant";
import type { JudgedPlant } from "./stand-ins";
import { truthOf } from "./truth";

/** Makes the stand-ins of the numbers given, one after the other, and prints how each was read, a line of JSON a plant. Run by `stand-ins.ts`, several at once. */
const work = mkdtempSync(path.join(os.tmpdir(), "stand-ins-"));
try {
  for (const seed of process.argv.slice(2).map(Number)) {
    const folder = writeStandIn(seed, work);
    const [read, truth] = [await readPlant(folder, work), truthOf(folder)];
    const plant: JudgedPlant = {
      seed,
      kind: kindOf(seed),
      rows: judged(path.basename(folder), read, truth),
      claims: claimsOf(read, truth),
    };
    process.stdout.write(`${JSON.stringify(plant)}\n`);
    rmSync(folder, { recursive: true });
  }
} finally {
  rmSync(work, { recursive: true, force: true });
}
