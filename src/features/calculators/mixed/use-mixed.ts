import { useLocalStorage } from "@mantine/hooks";
import { type MixedGroups, mixedGroupsSchema } from "@/contracts/mixed-string";

/** What was set on this bench the last time, kept in this browser; null before the first time, or where it does not fit any more. */
export function useKeptMixed(slug: string | null): readonly [MixedGroups | null, (groups: MixedGroups | null) => void] {
  const [kept, setKept] = useLocalStorage<MixedGroups | null>({
    key: `dusty-ledger:mixed:${slug ?? ""}`,
    defaultValue: null,
    deserialize: (text) => {
      try {
        return mixedGroupsSchema.parse(JSON.parse(text ?? "null"));
      } catch {
        return null;
      }
    },
  });
  return [kept, setKept];
}
