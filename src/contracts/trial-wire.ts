import type { Site } from "@/core/site";
import type { TrialInput, TrialSide } from "@/core/trial";
import { packColumns, unpackColumns } from "./columns-wire";

/** A trial before its draws: what both meters wrote down, and what the model expects of each side. */
export type TrialSources = Omit<TrialInput, "draws" | "seed">;

type Column = "meteredA" | "meteredB" | "expectedA" | "expectedB" | "light";

interface Head extends Pick<TrialSources, "place" | "axis" | "yearKwh"> {
  readonly a: Omit<TrialSide, "meteredKwh">;
  readonly b: Omit<TrialSide, "meteredKwh">;
  readonly expectedAxis: TrialSources["axis"] | null;
  readonly columns: readonly Column[];
}

/** A trial on its way to the browser's worker. Ten months of quarter-hours are 700 kB. */
export function packTrial({ place, axis, a, b, expected, yearKwh, lightWm2 }: TrialSources): Uint8Array<ArrayBuffer> {
  const columns: [Column, Float64Array][] = [
    ["meteredA", a.meteredKwh],
    ["meteredB", b.meteredKwh],
    ...(expected ? ([["expectedA", expected.a.kwh] as const, ["expectedB", expected.b.kwh] as const] as [Column, Float64Array][]) : []),
    ...(lightWm2 ? ([["light", lightWm2]] as [Column, Float64Array][]) : []),
  ];
  const bare = ({ meteredKwh: _metered, site, ...side }: TrialSide) => ({ ...side, site: slim(site) });
  const head: Head = {
    place,
    axis,
    yearKwh,
    a: bare(a),
    b: bare(b),
    expectedAxis: expected?.a.axis ?? null,
    columns: columns.map(([name]) => name),
  };
  return packColumns(
    head,
    columns.map(([, values]) => values),
  );
}

/** Money and revisions have no part in a trial's reckoning. */
const slim = (site: Site): Site => ({ ...site, revisions: [] });

export function unpackTrial(bytes: ArrayBuffer): TrialSources {
  const { head, columns } = unpackColumns(bytes) as { head: Head; columns: Float64Array[] };
  const column = (name: Column): Float64Array | null => columns[head.columns.indexOf(name)] ?? null;
  const { place, axis, yearKwh, a, b, expectedAxis } = head;
  const [expectedA, expectedB] = [column("expectedA"), column("expectedB")];
  return {
    place,
    axis,
    yearKwh,
    a: { ...a, meteredKwh: column("meteredA")! },
    b: { ...b, meteredKwh: column("meteredB")! },
    expected:
      expectedAxis && expectedA && expectedB
        ? { a: { axis: expectedAxis, kwh: expectedA }, b: { axis: expectedAxis, kwh: expectedB } }
        : null,
    lightWm2: column("light"),
  };
}
