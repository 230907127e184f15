import { execFile } from "node:child_process";
import { promisify } from "node:util";

const start = promisify(execFile);

/** How many times as fast two processes of a program are as one, both doing what one does: what stands beside our two workers. */
export async function twoAtOnce(program: string, passes: number): Promise<number> {
  const took = async (processes: number): Promise<number> => {
    const started = performance.now();
    await Promise.all(Array.from({ length: processes }, () => start(program)));
    return performance.now() - started;
  };
  let [one, two] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY];
  for (let pass = 0; pass < passes; pass++) {
    one = Math.min(one, await took(1));
    two = Math.min(two, await took(2));
  }
  return (2 * one) / two;
}
