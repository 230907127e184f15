/** A difference of this much between two costs is very strong evidence. Source: Kass & Raftery, 1995, Bayes factors. */
export const VERY_STRONG = 10;

/**
 * What it costs to say something by a law with so many terms that misses `count` independent values by a mean loss: n ln(loss) + terms ln(n). The
 * lower the likelier. Source: Schwarz, 1978, Estimating the dimension of a model.
 */
export const costOfSaying = (count: number, meanLoss: number, terms: number): number =>
  count * Math.log(meanLoss) + terms * Math.log(count);
