import { execFile } from "node:child_process";
import os from "node:os";
import path from "node:path";
import { promisify } from "node:util";
import type { Claim } from "./claims";
import type { FleetRow } from "./judge";

/** One stand-in as it was read. */
export interface JudgedPlant {
  readonly seed: number;
  readonly kind: string;
  readonly rows: readonly FleetRow[];
  readonly claims: readonly Claim[];
}

const root = path.join(import.meta.dirname, "..", "..");
const MOST_OUTPUT = 512 * 1024 * 1024;

/** Judges stand-ins by their numbers, in as many processes as there are processors. */
export async function judgeStandIns(seeds: readonly number[]): Promise<JudgedPlant[]> {
  if (seeds.length === 0) return [];
  const shares = Math.max(1, Math.min(os.availableParallelism(), seeds.length));
  const parts = Array.from({ length: shares }, (_, s) => seeds.filter((_, k) => k % shares === s).map(String));
  const outputs = await Promise.all(
    parts.map((own) =>
      promisify(execFile)(path.join(root, "node_modules", ".bin", "tsx"), [path.join(import.meta.dirname, "share.ts"), ...own], {
        cwd: root,
        maxBuffer: MOST_OUTPUT,
      }),
    ),
  );
  return outputs
    .flatMap(({ stdout }) => stdout.split("\n").filter(Boolean))
    .map((line) => JSON.parse(line) as JudgedPlant)
    .sort((a, b) => a.seed - b.seed);
}
