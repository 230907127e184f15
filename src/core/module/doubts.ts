/** A datasheet value that is possible but not usual: worth a second look before it is believed. */
export interface ModuleDoubt {
  readonly quantity: "fillFactor" | "efficiency" | "vocPerCell" | "gammaPmp" | "betaVoc" | "alphaIsc" | "noct";
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

interface Datasheet {
  readonly pmpW: number;
  readonly vocV: number | null;
  readonly iscA: number | null;
  readonly cellsInSeries: number | null;
  readonly gammaPmpPerK: number;
  readonly betaVocPerK: number;
  readonly alphaIscPerK: number;
  readonly noctC: number;
  readonly areaM2: number | null;
}

/** What modules of silicon and thin film on the market have, with a margin. Source: IEC 61215 and IEC 61853 classes; Green et al., 2023, Solar cell efficiency tables. */
const USUAL: Readonly<Record<ModuleDoubt["quantity"], readonly [number, number]>> = {
  fillFactor: [0.6, 0.87],
  efficiency: [0.05, 0.25],
  vocPerCell: [0.5, 0.78],
  gammaPmp: [-0.0055, -0.0018],
  betaVoc: [-0.0045, -0.0015],
  alphaIsc: [0, 0.0015],
  noct: [38, 52],
};

/** What in a datasheet lies outside the usual; empty where all is. Values that are not given raise no doubt. */
export function moduleDoubts(module: Datasheet): ModuleDoubt[] {
  const { pmpW, vocV, iscA, cellsInSeries, areaM2 } = module;
  const values: readonly (readonly [ModuleDoubt["quantity"], number | null])[] = [
    ["fillFactor", vocV && iscA ? pmpW / (vocV * iscA) : null],
    ["efficiency", areaM2 ? pmpW / (1000 * areaM2) : null],
    ["vocPerCell", vocV && cellsInSeries ? vocV / cellsInSeries : null],
    ["gammaPmp", module.gammaPmpPerK],
    ["betaVoc", module.betaVocPerK],
    ["alphaIsc", module.alphaIscPerK],
    ["noct", module.noctC],
  ];
  return values.flatMap(([quantity, value]) => {
    const [low, high] = USUAL[quantity];
    return value === null || (value >= low && value <= high) ? [] : [{ quantity, value, low, high }];
  });
}
