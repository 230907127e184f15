import type { Site } from "./types";

/** A site with some of its arrays (none named: all), and with the inverters that serve them. Revisions keep what they say of these. */
export function partOfSite(site: Site, arrayIds: readonly string[]): Site {
  if (arrayIds.length === 0) return site;
  const kept = new Set(arrayIds);
  const inverters = site.inverters
    .map((inverter) => ({ ...inverter, arrays: inverter.arrays.filter((id) => kept.has(id)) }))
    .filter((inverter) => inverter.arrays.length > 0);
  const ids = { arrays: kept, inverters: new Set(inverters.map(({ id }) => id)) };
  return {
    ...site,
    arrays: site.arrays.filter(({ id }) => kept.has(id)),
    inverters,
    // A limit of the whole says nothing of a part.
    exportLimitW: null,
    revisions: site.revisions.map((revision) => ({ ...revision, change: changeOf(revision.change, ids) })),
  };
}

function changeOf(
  change: Readonly<Record<string, unknown>>,
  ids: { readonly arrays: ReadonlySet<string>; readonly inverters: ReadonlySet<string> },
): Record<string, unknown> {
  const out: Record<string, unknown> = { ...change };
  for (const list of ["arrays", "inverters"] as const) {
    const items = change[list];
    if (Array.isArray(items)) out[list] = (items as { id: string }[]).filter(({ id }) => ids[list].has(id));
  }
  return out;
}
