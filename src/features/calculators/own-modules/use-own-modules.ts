import { useMemo } from "react";
import { z } from "zod";
import { moduleLibrary } from "@/contracts/module-library";
import { moduleSchema, type SiteDocument } from "@/contracts/site";
import { withEstimates } from "@/core/module";
import { type ModuleRead, moduleOfLine } from "@/core/typed";
import { useKept } from "@/features/data/use-kept";
import { writingNow } from "@/wording/writing";

type Module = SiteDocument["modules"][string];

/** A module of somebody's own: its nameplate as they typed it. */
export interface OwnModule {
  readonly name: string;
  readonly line: string;
}

const MOST_OWN = 30;
const NONE: readonly OwnModule[] = [];
const keptSchema = z.array(z.strictObject({ name: z.string().min(1).max(80), line: z.string().max(300) })).max(MOST_OWN);

/** A nameplate as a module, what it leaves out estimated; a text where it makes none. */
export function moduleOfRead(read: ModuleRead): Module | string | null {
  const { name: _, unread: __, ...plate } = read;
  if (plate.pmpW === null) return null;
  const given = Object.fromEntries(Object.entries(plate).filter(([, value]) => value !== null));
  const parsed = moduleSchema.safeParse(given);
  if (!parsed.success) return parsed.error.issues[0]?.message ?? "";
  const { gammaPmpPerK, betaVocPerK } = plate;
  return withEstimates(parsed.data, { gammaPmpPerK: gammaPmpPerK !== null, betaVocPerK: betaVocPerK !== null, alphaIscPerK: false });
}

const ownOf = ({ line }: OwnModule): Module | null => {
  const module = moduleOfRead(moduleOfLine(line, writingNow().decimal));
  return module !== null && typeof module !== "string" ? module : null;
};

export interface OwnModules {
  readonly own: readonly OwnModule[];
  readonly add: (module: OwnModule) => void;
  readonly drop: (name: string) => void;
  /** Own ones, the book's and the library's, by name. */
  readonly all: Readonly<Record<string, Module>>;
}

/** Modules that somebody typed on a bench, kept in this browser, beside those of the book and of the library. */
export function useOwnModules(site: SiteDocument): OwnModules {
  const [own, setOwn] = useKept<readonly OwnModule[]>("dusty-ledger:own-modules", keptSchema, NONE);
  const all = useMemo(() => {
    const typed = own.flatMap((each) => {
      const module = ownOf(each);
      return module ? [[each.name, module] as const] : [];
    });
    return {
      ...Object.fromEntries(typed),
      ...Object.fromEntries(Object.entries(site.modules).map(([name, module]) => [name, withEstimates(module)])),
      ...Object.fromEntries(moduleLibrary.map(({ name, fields }) => [name, fields])),
    };
  }, [own, site.modules]);
  return {
    own,
    add: (module) => setOwn([...own.filter(({ name }) => name !== module.name), module].slice(-MOST_OWN)),
    drop: (name) => setOwn(own.filter((each) => each.name !== name)),
    all,
  };
}
