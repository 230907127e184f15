/** One line of the table: what was tried, how often, how often it was survived, and what was seen. */
export interface Row {
  readonly part: string;
  readonly what: string;
  readonly tried: number;
  readonly survived: number;
  readonly seen: string;
}

const rows: Row[] = [];

export function row(part: string, what: string, tried: number, survived: number, seen = ""): void {
  rows.push({ part, what, tried, survived, seen });
  console.log(`${survived === tried ? "ok  " : "LOST"}  ${part}: ${what}: ${survived} of ${tried}${seen ? ` (${seen})` : ""}`);
}

/** One thing tried, which throws where it was not survived. */
export async function tried(part: string, what: string, work: () => Promise<string>): Promise<void> {
  try {
    row(part, what, 1, 1, await work());
  } catch (error) {
    row(part, what, 1, 0, error instanceof Error ? error.message.slice(0, 300) : String(error));
  }
}

export const allRows = (): readonly Row[] => rows;

export const table = (of: readonly Row[]): string =>
  [
    "| Part | Tried | Times | Survived | Seen |",
    "|---|---|---:|---:|---|",
    ...of.map((r) => `| ${r.part} | ${r.what} | ${r.tried} | ${r.survived} | ${r.seen.replaceAll("|", "/")} |`),
  ].join("\n");
