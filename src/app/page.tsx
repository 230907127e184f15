import type { SetAsideReason } from "@/contracts/standing";
import { totalLine } from "@/core/ledger";
import { nameplateW } from "@/core/site";
import { Shelf } from "@/features/shelf/Shelf";
import type { ShelfBook } from "@/features/shelf/shelf-book";
import { Desk } from "@/features/shell/Desk";
import { parseSite } from "@/formats/site-json";
import { type AccountGround, accountLines } from "@/usecases/keeping";
import type { ShelfLine } from "@/usecases/reckoning";
import { type House, house, isDemoInTheMaking } from "@/wiring";
import { coordinate } from "@/wording/geometry";

/** Books on one sheet of the shelf. */
const SHEET = 60;
/** Books that one look at the shelf has reckoned, where no worker did it yet. */
const RECKONED_A_LOOK = 4;

interface Props {
  searchParams: Promise<{ from?: string }>;
}

export default async function ShelfPage({ searchParams }: Props) {
  const own = house();
  const count = await own.standings.count();
  const from = Math.min(Math.max(0, (Math.floor(Number((await searchParams).from)) || 1) - 1), Math.max(0, count - 1));
  const [lines, spines, isMakingDemo] = await Promise.all([own.standings.shelf(from, SHEET), own.books.spines(), isDemoInTheMaking(own)]);
  const ids = lines.map(({ id }) => id);
  const [found, keeping] = await Promise.all([own.attributions.foundOf(ids), own.keeping.linesOf(ids)]);
  const books = lines.map((line) => {
    const own = found.get(line.id);
    return shelfBook(line, { found: own?.version === line.version ? own.found : null, keeping: keeping.get(line.id) ?? NOTHING_KEPT });
  });
  reckonSome(own, lines);
  return (
    <Desk spines={spines} slug={null} chapter={null}>
      <Shelf books={books} sheet={{ from, count, size: SHEET }} isMakingDemo={isMakingDemo} />
    </Desk>
  );
}

const NOTHING_KEPT: AccountGround["keeping"] = { transfers: [], closed: [] };

/** A line as the shelf shows it: of what is stored, whatever there is of it. */
function shelfBook({ slug, name, site, version, standing }: ShelfLine, ground: AccountGround): ShelfBook {
  const reading = parseSite(site);
  if (!reading.ok) return { slug, name, kwp: null, place: "", line: null, months: [], context: null, state: asideFor("document") };
  const { latitudeDeg, longitudeDeg } = reading.document.place;
  const isCurrent = standing?.version === version;
  const figures = standing?.state === "fine" ? standing.figures : null;
  const months = figures ? accountLines(figures.report.months, ground).months : [];
  const last = months.at(-1)?.key.slice(0, 4);
  const ofYear = months.filter(({ key }) => key.slice(0, 4) === last);
  return {
    slug,
    name,
    kwp: nameplateW(reading.document) / 1000,
    place: `${coordinate(latitudeDeg, ["N", "S"], 1)}, ${coordinate(longitudeDeg, ["E", "W"], 1)}`,
    line: last === undefined ? null : totalLine(last, ofYear),
    months: ofYear,
    context: figures && { site: reading.document, sources: figures.report.sources, promiseFrom: figures.promiseFrom },
    state: isCurrent ? (standing.state === "fine" ? { kind: "fine" } : asideFor(standing.reason)) : { kind: "reckoning" },
  };
}

const asideFor = (reason: SetAsideReason): ShelfBook["state"] => ({ kind: "set-aside", reason });

/** The shelf sums nothing up: a few books that nobody has reckoned yet are asked for, and stand there at the next look. */
function reckonSome({ books, figuresInTime }: House, lines: readonly ShelfLine[]): void {
  const wanted = lines.filter(({ version, standing }) => standing?.version !== version).slice(0, RECKONED_A_LOOK);
  for (const { slug } of wanted) {
    void books
      .bySlug(slug)
      .then((book) => book && figuresInTime(book))
      // A book that is set aside says so on its line.
      .catch(() => {});
  }
}
