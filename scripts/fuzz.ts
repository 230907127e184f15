import { fuzzers } from "../test/fuzz/parsers";

/** Tries every parser on thousands of inputs; the seed of a failure is printed and can be given again: npm run fuzz -- 20000 SEED */
const [cases = "20000", seed] = process.argv.slice(2);
const each = Math.ceil(Number(cases) / fuzzers.length);
for (const { name, check } of fuzzers) {
  const started = performance.now();
  await check(each, seed === undefined ? undefined : Number(seed));
  console.log(`${name}: ${each} inputs, ${((performance.now() - started) / 1000).toFixed(1)} s`);
}
