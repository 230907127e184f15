import type { YieldSpan } from "./spans";
import { fillClipping } from "./stages";
import { post, runs, type Workspace } from "./workspace";

/** Where all inverters of a site come together: what a transformer draws by day, and the most that may be fed in. Works on `block.siteW`. */
export function runConnection(work: Workspace, { site, bin }: YieldSpan, lit: number): void {
  const { block, run, toKwh } = work;
  const { exportLimitW, losses } = site;
  let cutW = 0;
  if (losses.transformerNoLoadW > 0 && runs(work, "transformer")) {
    for (let k = 0; k < lit; k++) block.siteW[k] = block.siteW[k]! - losses.transformerNoLoadW;
    const lostW = losses.transformerNoLoadW * lit;
    post(work, bin, "transformer", lostW);
    cutW += lostW;
  }
  if (exportLimitW !== null && runs(work, "curtailment")) {
    const lostW = fillClipping(block.siteW, exportLimitW, lit);
    post(work, bin, "curtailment", lostW);
    cutW += lostW;
  }
  for (let k = 0; k < lit; k++) run.expectedKwh[block.at[k]!] = block.siteW[k]! * toKwh;
  run.expectedByBinKwh[bin]! -= cutW * toKwh;
}

/** Whether anything happens there. */
export const hasConnection = ({ exportLimitW, losses }: YieldSpan["site"]): boolean =>
  exportLimitW !== null || losses.transformerNoLoadW > 0;
