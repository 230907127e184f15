import { type MixedGroups, type MixedStrings, mixedStringsSchema } from "@/contracts/mixed-string";
import { BYPASS_DROP_V, type circuitsOf, stringsNow } from "@/core/comparison";
import { type MixedReport, type MixedYear, mixedReport } from "@/core/electrical";
import type { BenchSun } from "../bench-sun";
import type { BenchProps } from "../bench-views";
import { useBenchAnswer, useBenchEngine } from "../use-bench-engine";
import type { OtherWay } from "./MixedAnswer";
import { CONNECTIONS, connected, stringsOf } from "./mixed-strings";

interface Asked {
  readonly slug: string | null;
  /** With every module that may be chosen. */
  readonly site: BenchProps["site"];
  readonly sun: BenchSun;
  readonly groups: MixedGroups;
  readonly circuits: ReturnType<typeof circuitsOf>;
}

interface MixedAnswers {
  readonly strings: MixedStrings;
  /** Why what was typed is no array; empty where it is one. */
  readonly refused: string;
  readonly others: readonly OtherWay[];
  readonly report: MixedReport | null;
  /** A year as it is set, then of each of the others; null until they are known. */
  readonly years: readonly (MixedYear | null)[] | null;
}

/** An array of unlike modules at this moment and over a year, as it is set and connected otherwise. */
export function useMixedAnswers({ slug, site, sun, groups, circuits }: Asked): MixedAnswers {
  const { engine } = useBenchEngine(slug, site, sun);
  const strings = stringsOf(groups);
  const read = mixedStringsSchema.safeParse(strings);
  const others = read.success ? otherWays(groups, circuits) : [];
  const ways = read.success ? [strings, ...others.map(({ strings: other }) => other)] : null;
  const years = useBenchAnswer(ways ? engine : null, { site, ways: ways ?? [] }, (remote, asked) => remote.mixed(asked.site, asked.ways));
  return {
    strings,
    refused: read.success ? "" : (read.error.issues[0]?.message ?? ""),
    others,
    report: read.success ? mixedReport(stringsNow(strings, circuits), BYPASS_DROP_V) : null,
    years: years && ways && years.length === ways.length ? years : null,
  };
}

/** The other choices of connecting the same modules, with what each gives at this moment. */
function otherWays(groups: MixedGroups, circuits: ReturnType<typeof circuitsOf>): OtherWay[] {
  const seen = new Set([JSON.stringify(stringsOf(groups))]);
  return CONNECTIONS.flatMap((connection): OtherWay[] => {
    const made = connected(groups, connection);
    const strings = made && stringsOf(made);
    if (!strings || seen.has(JSON.stringify(strings))) return [];
    seen.add(JSON.stringify(strings));
    return [{ connection, strings, report: mixedReport(stringsNow(strings, circuits), BYPASS_DROP_V) }];
  });
}
