import { buildSeeds, judgeSeeds, writeStandIn } from "../simulators/stand-ins";

/**
 * `npm run stand-ins -- build|judge COUNT DIR`: writes made-up plants in the fleet's form, with their truth, into DIR. Those to build with may be looked at one by one;
 * those that judge are only ever counted.
 */
const [which, count, into] = process.argv.slice(2);
const seeds = { build: buildSeeds, judge: judgeSeeds }[which ?? ""];
if (!seeds || !Number.isInteger(Number(count)) || !into) {
  process.stderr.write("Expected: build or judge, how many, and a folder; for example  npm run stand-ins -- build 26 /tmp/plants\n");
  process.exitCode = 2;
} else for (const seed of seeds(Number(count))) process.stdout.write(`${writeStandIn(seed, into)}\n`);
