import { NativeSelect } from "@mantine/core";
import type { SiteDocument } from "@/contracts/site";

/** Which array a bench asks of; nothing to choose where there is one. */
export function ArrayField({ site, value, onChange }: { site: SiteDocument; value: string; onChange: (id: string) => void }) {
  if (site.arrays.length < 2) return null;
  return (
    <NativeSelect
      label="Array"
      data={site.arrays.map(({ id, name }) => ({ value: id, label: name || id }))}
      value={value}
      onChange={(event) => onChange(event.currentTarget.value)}
    />
  );
}
