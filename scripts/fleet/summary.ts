import type { JudgedPlant } from "./stand-ins";

const share = (part: number, whole: number): string =>
  whole === 0 ? "none there" : `${part} of ${whole} (${((100 * part) / whole).toFixed(0)} %)`;
const heldOf = (rows: readonly { readonly holds: boolean }[]): string => share(rows.filter(({ holds }) => holds).length, rows.length);
const table = (head: readonly string[], rows: readonly (readonly string[])[]): string =>
  [
    `| ${head.join(" | ")} |`,
    `|---|${head
      .slice(1)
      .map(() => "---:|")
      .join("")}`,
    ...rows.map((row) => `| ${row.join(" | ")} |`),
  ].join("\n");

export interface Judged {
  readonly build: readonly JudgedPlant[];
  readonly judge: readonly JudgedPlant[];
}

/** Lines that hold by what they are about, and by the plants' kind. */
export function heldTable({ build, judge }: Judged): string {
  const rowsOf = (plants: readonly JudgedPlant[]) => plants.flatMap(({ rows }) => rows);
  const kinds = [...new Set(rowsOf([...build, ...judge]).map(({ kind }) => kind))];
  const of = (plants: readonly JudgedPlant[], kind: string): string => heldOf(rowsOf(plants).filter((row) => row.kind === kind));
  return table(
    ["lines", "plants to build with", "plants that judge"],
    [["all", heldOf(rowsOf(build)), heldOf(rowsOf(judge))], ...kinds.map((kind) => [kind, of(build, kind), of(judge, kind)])],
  );
}

export function kindsTable({ build, judge }: Judged): string {
  const of = (plants: readonly JudgedPlant[], kind: string): string =>
    heldOf(plants.filter((plant) => plant.kind === kind).flatMap(({ rows }) => rows));
  const kinds = [...new Set([...build, ...judge].map(({ kind }) => kind))];
  return table(
    ["plants", "to build with", "that judge"],
    kinds.map((kind) => [kind, of(build, kind), of(judge, kind)]),
  );
}

const BANDS = [
  [0.5, 0.6],
  [0.6, 0.7],
  [0.7, 0.8],
  [0.8, 0.9],
  [0.9, 1.01],
] as const;

/** Of findings said with a confidence: how many were true. */
export function reliabilityTable({ build, judge }: Judged): string {
  const of = (plants: readonly JudgedPlant[], [from, to]: readonly [number, number]): string => {
    const own = plants.flatMap(({ claims }) => claims).filter(({ confidenceFrac }) => confidenceFrac >= from && confidenceFrac < to);
    return share(own.filter(({ isTrue }) => isTrue).length, own.length);
  };
  return table(
    ["confidence said", "true, plants to build with", "true, plants that judge"],
    BANDS.map((band) => [
      `${Math.round(100 * band[0])} to ${Math.min(100, Math.round(100 * band[1]))} %`,
      of(build, band),
      of(judge, band),
    ]),
  );
}

/** The same by kind of finding, with the mean confidence that was said. */
export function reliabilityByKind(plants: readonly JudgedPlant[]): string {
  const claims = plants.flatMap((plant) => plant.claims);
  const kinds = [...new Set(claims.map(({ kind }) => kind))].sort();
  return table(
    ["finding", "mean confidence", "true"],
    kinds.map((kind) => {
      const own = claims.filter((claim) => claim.kind === kind);
      const mean = own.reduce((sum, { confidenceFrac }) => sum + confidenceFrac, 0) / own.length;
      return [kind, `${(100 * mean).toFixed(0)} %`, share(own.filter(({ isTrue }) => isTrue).length, own.length)];
    }),
  );
}

/** Of intervals of 95 %: how many hold the truth, by kind. */
export function coverageTable({ build, judge }: Judged): string {
  const named = (plants: readonly JudgedPlant[]) =>
    plants.flatMap(({ rows }) =>
      rows.flatMap((row) => {
        if (row.kind === "ageing interval") return [{ kind: "ageing", holds: row.holds }];
        return row.kind === "energy interval" ? [{ kind: `energy, ${row.what.replace(/ from .*/, "")}`, holds: row.holds }] : [];
      }),
    );
  const [ofBuild, ofJudge] = [named(build), named(judge)];
  const kinds = [...new Set([...ofBuild, ...ofJudge].map(({ kind }) => kind))].sort();
  return table(
    ["interval of", "plants to build with", "plants that judge"],
    kinds.map((kind) => [kind, heldOf(ofBuild.filter((row) => row.kind === kind)), heldOf(ofJudge.filter((row) => row.kind === kind))]),
  );
}

/** False findings a plant-year: what is claimed and is not there. */
export function falsePerYear(plants: readonly JudgedPlant[], years: number): string {
  const wrong = plants.flatMap(({ claims }) => claims).filter(({ isTrue }) => !isTrue).length;
  return `${wrong} in ${Math.round(years)} plant-years (${(wrong / years).toFixed(2)} a year)`;
}
