import type { ValueColumn } from "@/contracts/mapping";
import { kwhFromMeanW } from "@/core/units";
import { say } from "@/wording/tables";
import { type ColumnMeaning, unitOf } from "./column-words";
import type { Draft } from "./draft";
import { answeredHolding, askHolding } from "./holdings";

/** A column of numbers that may be one module's. */
export interface NumberColumn {
  readonly column: number;
  readonly header: string;
  /** What its words say, were they no module's. */
  readonly meaning: ColumnMeaning | null;
  /** The largest of the first rows. */
  readonly most: number;
}

export interface ModuleColumns {
  readonly columns: readonly NumberColumn[];
  readonly meaning: ColumnMeaning;
}

/** Fewer columns are meters of a plant, or sides of it: modules have no neighbours to be held against. */
const LEAST_COLUMNS = 4;
/** So many meters of one plant in one file are rare enough to be asked about. */
const ASKED_FROM = 8;
/** A recorder that misses a few modules still counts them. */
const COUNT_OFF_FRAC = 0.1;

const MOST_NAME = 80;

const MODULE_WORD = /\bmodule?s?\b|\bmodul|\bpanel|panneau|optimi[sz]er|optimierer|micro.?inverter|mikro.?wechselrichter/i;
const SUM_WORD = /total|\bsum\b|gesamt|\bplant\b|\bsite\b|average|mean|mittel/i;
/** Parts of a plant by their words: nobody is asked about them. */
const PART_WORD = /\binv|wechselrichter|onduleur|\bwr[\s_-]?\d|meter|z[äa]hler|compteur|contador|string|phase|\bl[123]\b/i;
const OTHER_WORD = /temp|volt|curr|irrad|wind|humid|state|status|error|signal|freq|soc\b/i;

/**
 * Columns of single modules: many columns of one kind, each named after its module. They are told by a word in their headers, by their count, which is an array's or
 * the plant's, or by an answer; null where they are none, or where it is still asked.
 */
export function moduleColumns(draft: Draft, numbers: readonly NumberColumn[], stepMinutes: number | null): ModuleColumns | null {
  const { answers, plant } = draft.context;
  const group = oneKind(numbers);
  if (group.length < LEAST_COLUMNS || answers.columns === "plant") return null;
  const word = group.every(({ header }) => MODULE_WORD.test(header));
  if (answers.columns !== "modules" && !word && (!plant || isTooMuch(group, plant.moduleW, stepMinutes))) return null;
  const count = plant && countLike(plant.modules, group.length);
  if (answers.columns !== "modules" && !word && !count) {
    if (group.length >= ASKED_FROM && !group.every(({ header }) => PART_WORD.test(header))) askOf(draft, group);
    return null;
  }
  const because = word ? say.theirHeadersNameModules : count ? say.asManyAsTheModules(group.length) : say.chosenByYou;
  draft.reasons.push({ about: say.columnsCounted(group.length), because });
  return { columns: group, meaning: meaningOfAll(draft, group) };
}

/** No module gives more than this over its rating: what does is an inverter, a string or a meter. */
const MOST_OVER_RATING = 1.3;

/** Whether the columns give more than a module can, or nothing in the rows that were looked at, which tells as little. */
function isTooMuch(group: readonly NumberColumn[], moduleW: number, stepMinutes: number | null): boolean {
  const most = Math.max(...group.map((column) => column.most));
  const unit = unitOf(group[0]!.header);
  if (most === 0) return true;
  if (unit === null || !Object.hasOwn(UNITS, unit) || stepMinutes === null || group[0]!.meaning?.quantity === "counter_kwh") return false;
  const { quantity, factor } = UNITS[unit]!;
  const watts = quantity === "power_w" ? most * factor : (most * factor) / kwhFromMeanW(1, stepMinutes);
  return watts > MOST_OVER_RATING * moduleW;
}

/** The columns that hold the same: energies rather than powers, and no sums, temperatures or states. */
function oneKind(numbers: readonly NumberColumn[]): NumberColumn[] {
  const own = numbers.filter(
    ({ header, meaning }) => !SUM_WORD.test(header) && !OTHER_WORD.test(header) && (meaning === null || isEnergetic(meaning)),
  );
  const kinds = new Map<string, NumberColumn[]>();
  for (const column of own) {
    const unit = unitOf(column.header) ?? column.meaning?.quantity ?? "";
    kinds.set(unit, [...(kinds.get(unit) ?? []), column]);
  }
  const [largest = []] = [...kinds.entries()]
    .sort(([unitA, a], [unitB, b]) => b.length - a.length || rank(unitA) - rank(unitB))
    .map(([, columns]) => columns);
  return largest;
}

const isEnergetic = ({ quantity }: ColumnMeaning): boolean => ["energy_kwh", "power_w", "counter_kwh"].includes(quantity);
const rank = (unit: string): number => (/wh|energy|counter/.test(unit) ? 0 : 1);

const countLike = (modules: readonly number[], columns: number): boolean =>
  [...modules, modules.reduce((a, b) => a + b, 0)].some((count) => columns <= count && columns >= (1 - COUNT_OFF_FRAC) * count);

function askOf(draft: Draft, group: readonly NumberColumn[]): void {
  draft.confidence = Math.min(draft.confidence, 0.5);
  draft.questions.push({
    id: "columns",
    question: say.whatAreTheseColumns(group.length),
    evidence: say.columnsNamed(
      group
        .slice(0, 4)
        .map(({ header }) => header)
        .join(", "),
    ),
    choices: [
      { value: "modules", label: say.singleModules },
      { value: "plant", label: say.partsThatAddUp },
    ],
  });
}

const UNITS: Readonly<Record<string, ColumnMeaning>> = {
  w: { quantity: "power_w", factor: 1, offset: 0, unit: "w" },
  kw: { quantity: "power_w", factor: 1000, offset: 0, unit: "kw" },
  wh: { quantity: "energy_kwh", factor: 0.001, offset: 0, unit: "wh" },
  kwh: { quantity: "energy_kwh", factor: 1, offset: 0, unit: "kwh" },
};

/** Of their unit; without one by their size, since a module's rating is known; else it is asked. */
function meaningOfAll(draft: Draft, group: readonly NumberColumn[]): ColumnMeaning {
  const [{ header, meaning }] = group as [NumberColumn];
  const unit = unitOf(header);
  if (unit !== null && Object.hasOwn(UNITS, unit)) return withQuantity(UNITS[unit]!, meaning);
  const answered = answeredHolding(draft);
  if (answered && isEnergetic(answered)) return answered;
  const bySize = likeModule(draft, Math.max(...group.map(({ most }) => most)));
  if (bySize) {
    draft.reasons.push({ about: header, because: say.itsSizeIsAModules(bySize.unit ?? "") });
    return withQuantity(bySize, meaning);
  }
  askHolding(draft, { question: say.whatDoesHold(header), evidence: say.noUnitIsWritten, confidenceFrac: 0.4 });
  return UNITS.wh!;
}

/** A column whose words call it a counter stays one. */
const withQuantity = (unit: ColumnMeaning, meaning: ColumnMeaning | null): ColumnMeaning =>
  meaning?.quantity === "counter_kwh" && unit.quantity === "energy_kwh" ? { ...unit, quantity: "counter_kwh" } : unit;

/** The best quarter of an hour of a module lies near its rating: between so many shares of it. */
const NEAR_RATING = [0.35, 1.3] as const;

/** What numbers of a size are, where one unit alone makes a module of them. Energies of a step and powers differ by the step, which is a quarter of an hour as a rule. */
function likeModule({ context: { plant } }: Draft, most: number): ColumnMeaning | null {
  if (!plant) return null;
  const isNear = (watts: number): boolean => watts >= NEAR_RATING[0] * plant.moduleW && watts <= NEAR_RATING[1] * plant.moduleW;
  return isNear(most) ? UNITS.w! : isNear(most * 1000) ? UNITS.kw! : null;
}

/** What a header calls its module: without the unit, the quantity and the words that all share. */
export function moduleIdOf(header: string, all: readonly string[]): string {
  const bare = (text: string): string => text.replaceAll(/\s*[([][^)\]]*[)\]]\s*/g, " ").trim();
  const shared = sharedTail(all.map(bare));
  const cut = bare(header)
    .slice(0, bare(header).length - shared.length)
    .replace(/[\s_:./-]+$/, "");
  const named = cut.replace(/^(module?s?|modul|panel|optimi[sz]er|micro.?inverter)[\s_#:.-]*/i, "").trim();
  return (named || cut || header.trim()).slice(0, MOST_NAME);
}

/** Words at the end of all: whole words, or none. */
function sharedTail(texts: readonly string[]): string {
  const [first = ""] = texts;
  let length = 0;
  while (length < first.length && texts.every((text) => text.length > length && text.at(-1 - length) === first.at(-1 - length))) length++;
  const tail = length === 0 ? "" : first.slice(-length);
  const word = /[\s_:./-].*$/s.exec(tail)?.[0] ?? "";
  return /\d/.test(word) ? "" : word;
}

/** Columns of a mapping, a module each. */
export const moduleValues = ({ columns }: ModuleColumns, read: (column: NumberColumn) => ColumnMeaning): ValueColumn[] => {
  const headers = columns.map(({ header }) => header);
  const ids = headers.map((header) => moduleIdOf(header, headers));
  // Two modules of one name would be added up: then each is called as its header is.
  const names = new Set(ids).size === ids.length ? ids : headers.map((header) => header.trim().slice(0, MOST_NAME));
  return columns.map((own, k) => {
    const { quantity, factor, offset, beginsAnew = false } = read(own);
    return { column: own.column, header: own.header, quantity, factor, offset, meterId: names[k]!, beginsAnew };
  });
};
