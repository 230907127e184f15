import { number, percent } from "../format";
import { lossUnit, type OddFacts, oddNames, type ToldOver } from "../neighbours";
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
  readonly told: Loss;
}

const within = ({ kwh, halfKwh }: Loss): string => (kwh === 0 ? "–" : `${number(kwh, 1)} ± ${number(halfKwh, 1)} kWh`);

/** How a module's loss against its neighbours came about. */
export const moduleWorking = (odd: OddToWork, spreadFrac: number, over: ToldOver): Working => ({
  title: `Module ${odd.id}: ${oddNames[odd.cause]}`,
  value: `${number(odd.told.kwh, 1)} ± ${number(odd.told.halfKwh, 1)}`,
  unit: `${lossUnit(over)} against its neighbours, 95 % interval`,
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

interface Group {
  readonly cause: OddFacts["cause"];
  readonly odd: readonly OddToWork[];
  readonly kwh: number;
}

/** Losses of modules of one cause together. */
export const causeGroupWorking = ({ cause, odd, kwh }: Group, over: ToldOver): Working => ({
  title: `Modules: ${oddNames[cause]}`,
  value: number(kwh, 1),
  unit: `${lossUnit(over)} against their neighbours`,
  formula: "sum of the modules",
  inputs: odd.map(({ id, told }) => ({ name: id, value: within(told), from: "its own working, at its name" })),
  source: "Sum.",
  assumptions: ["All that such a module loses, whatever took it: the largest part names the cause."],
});

/** Losses of all odd modules together. */
export const allModulesWorking = (odd: readonly OddToWork[], count: number, over: ToldOver): Working => ({
  title: "Modules that give less",
  value: number(
    odd.reduce((sum, { told }) => sum + told.kwh, 0),
    1,
  ),
  unit: `${lossUnit(over)} against their neighbours`,
  formula: "sum of the odd modules",
  inputs: [
    { name: "modules", value: String(count), from: "read one by one" },
    { name: "odd ones", value: String(odd.length), from: "lower than sound ones differ by" },
  ],
  source: "Each module’s own working.",
  assumptions: ["A part of the ledger’s own accounts, told once more by module: nothing is posted."],
});

/** How far sound modules lie apart. */
export const spreadWorking = (spreads: readonly { readonly array: string; readonly spreadFrac: number }[], half: string): Working => ({
  title: "How equal sound modules are",
  value: half,
  unit: "on either side of their middle",
  formula: "two standard deviations of the levels of sound modules, the widest array’s",
  inputs: spreads.map(({ array, spreadFrac }) => ({
    name: array,
    value: percent(spreadFrac, 2),
    from: "middle deviation of the levels, as a standard deviation",
  })),
  source: "Rousseeuw & Croux, 1993.",
  assumptions: ["A module’s level is where most of its hours of the day and months lie, so that an hour in the shade does not count."],
});

/** A module's share of its neighbours. */
export const shareWorking = (id: string, share: number, kwh: number, unreadHours: number): Working => ({
  title: `Module ${id} beside its neighbours`,
  value: percent(share),
  unit: "of what sound modules of its array gave in the same hours",
  formula: "Σ own ÷ Σ peers, over the hours in which both were read",
  inputs: [
    { name: "own", value: `${number(kwh, 1)} kWh`, from: "its readings" },
    { name: "peers, hour by hour", value: "middle of the sound ones", from: "those within a tenth of the upper fifth of the array" },
    { name: "not read", value: `${number(unreadHours)} h of light`, from: "left out on both sides" },
  ],
  source: "Ratio of sums.",
  assumptions: ["Modules of one array lie in one light."],
});
