import { type MixedGroups, mixedGroupsSchema } from "@/contracts/mixed-string";
import { useKept } from "@/features/data/use-kept";

const schema = mixedGroupsSchema.nullable();

/** What was set on this bench the last time; null before the first time. */
export function useKeptMixed(slug: string | null): readonly [MixedGroups | null, (groups: MixedGroups | null) => void] {
  const [kept, setKept] = useKept<MixedGroups | null>(`dusty-ledger:mixed:${slug ?? ""}`, schema, null);
  return [kept, setKept];
}
