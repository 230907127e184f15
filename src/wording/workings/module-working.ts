import { number, percent } from "../format";
import { type OddFacts, oddNames } from "../neighbours";
import type { Working } from "./working";

interface Loss {
  readonly kwh: number;
  readonly halfKwh: number;
}

export interface OddToWork extends OddFacts {
  readonly id: string;
  readonly lost: Loss;
  readonly silent: Loss;
  readonly shaded: Loss;
  readonly level: Loss;
  readonly fell: Loss;
  readonly lostPerYearKwh: number;
  readonly halfPerYearKwh: number;
}

const within = ({ kwh, halfKwh }: Loss): string => (kwh === 0 ? "–" : `${number(kwh, 1)} ± ${number(halfKwh, 1)} kWh`);

/** How a module's loss against its neighbours came about. */
export const moduleWorking = (odd: OddToWork, spreadFrac: number): Working => ({
  title: `Module ${odd.id}: ${oddNames[odd.cause]}`,
  value: `${number(odd.lostPerYearKwh, 1)} ± ${number(odd.halfPerYearKwh, 1)}`,
  unit: "kWh a year against its neighbours, 95 % interval",
  formula:
    "lost = Σ peers × own level while silent + Σ (level × peers − own) in dark cells + (1 − level) × Σ peers + fall of the level × Σ peers after it",
  inputs: [
    { name: "peers, hour by hour", value: "middle of the sound ones", from: "those within a tenth of the upper fifth of the array" },
    { name: "sound ones differ by", value: percent(spreadFrac, 2), from: "middle deviation of their levels, as a standard deviation" },
    { name: "silent", value: within(odd.silent), from: "lit hours under 2 % of the peers, three in a row and more" },
    {
      name: "dark hours",
      value: within(odd.shaded),
      from: "cells of hour and month more than three spreads under its own level, and those beside them",
    },
    { name: "lower level", value: within(odd.level), from: "its upper quarter of cells against the middle of all levels" },
    { name: "fall of the level", value: within(odd.fell), from: "weekly levels: a step, or along the lower edge, against one level" },
    { name: "level now", value: percent(odd.levelFrac), from: "of the sound ones" },
  ],
  source:
    "Schwarz, 1978 (which course its level takes); Student, 1908 (how far the lowest of many sound ones may lie); Rousseeuw & Croux, 1993 (spread).",
  assumptions: [
    "Modules of one array lie in one light: another plane is another array.",
    "What shades or dirties more than three in four of an array at once is not seen: nobody is left to be held against.",
    "A part of the ledger’s own accounts, told once more by module: nothing is posted.",
  ],
});

/** Losses of modules of one cause together. */
export const causeGroupWorking = ({
  cause,
  odd,
  perYearKwh,
}: {
  cause: OddFacts["cause"];
  odd: readonly OddToWork[];
  perYearKwh: number;
}): Working => ({
  title: `Modules: ${oddNames[cause]}`,
  value: number(perYearKwh, 1),
  unit: "kWh a year against their neighbours",
  formula: "sum of the modules",
  inputs: odd.map(({ id, lostPerYearKwh, halfPerYearKwh }) => ({
    name: id,
    value: `${number(lostPerYearKwh, 1)} ± ${number(halfPerYearKwh, 1)} kWh`,
    from: "its own working, at its name",
  })),
  source: "Sum.",
  assumptions: ["All that such a module loses, whatever took it: the largest part names the cause."],
});

/** Losses of all odd modules together. */
export const allModulesWorking = (odd: readonly OddToWork[], count: number): Working => ({
  title: "Modules that give less",
  value: number(
    odd.reduce((sum, { lostPerYearKwh }) => sum + lostPerYearKwh, 0),
    1,
  ),
  unit: "kWh a year against their neighbours",
  formula: "sum of the odd modules",
  inputs: [
    { name: "modules", value: String(count), from: "read one by one" },
    { name: "odd ones", value: String(odd.length), from: "lower than sound ones differ by" },
  ],
  source: "Each module’s own working.",
  assumptions: ["A part of the ledger’s own accounts, told once more by module: nothing is posted."],
});
