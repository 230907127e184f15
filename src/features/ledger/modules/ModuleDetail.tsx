import { useQuery } from "@tanstack/react-query";
import { PeerCells, PeerDays } from "@/charts";
import { moduleDetailSchema, type Neighbours, type OddModuleLine } from "@/contracts/neighbours";
import { ask } from "@/features/data/ask";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { number, percent } from "@/wording/format";
import { lossUnit, oddInWords, oddNames } from "@/wording/neighbours";
import { say } from "@/wording/screens/ledger-modules";
import { moduleWorking, shareWorking } from "@/wording/workings/module-working";
import styles from "./Modules.module.css";
import { shareOf } from "./painted";

const CELLS_PX = 210;
const DAYS_PX = 150;

interface ModuleDetailProps {
  readonly slug: string;
  readonly neighbours: Neighbours;
  readonly id: string;
}

/** One module through the hours of the year and the days of the record. */
export function ModuleDetail({ slug, neighbours, id }: ModuleDetailProps) {
  const { data } = useQuery({
    queryKey: ["module", slug, id],
    queryFn: ({ signal }) => ask(moduleDetailSchema, `/api/books/${slug}/modules?id=${encodeURIComponent(id)}`, { signal }),
  });
  const module = neighbours.modules.find((one) => one.id === id);
  const share = shareOf(module?.whole);
  const odd = neighbours.odd.find((line) => line.id === id);
  const spread = neighbours.spreads.find(({ array }) => array === odd?.array)?.spreadFrac ?? Number.NaN;
  const cells = data?.byCell.map(shareOf) ?? [];
  const days = data?.byDay.map(shareOf) ?? [];
  const hourName = (cell: number): [number, number] => [Math.floor(cell / 24) + 1, cell % 24];
  return (
    <section className={`${chapter.section} ${styles.detail}`} data-testid="module-detail">
      <h2>{say.chosenModule(id)}</h2>
      <p>
        {module && share !== null && (
          <>
            <Figure name={`module-share/${id}`} working={() => shareWorking(id, share, module.kwh, module.unreadHours)}>
              {percent(share)}
            </Figure>
            {say.ofItsNeighbours}
          </>
        )}
      </p>
      <p>{odd ? <OddSentence odd={odd} spreadFrac={spread} over={neighbours} /> : say.noOddModule}</p>
      <ChartFrame
        title={say.byHourAndMonth}
        note={say.cellsNote}
        fileName={`${slug}-module-${id}-hours`}
        height={CELLS_PX}
        summary={say.cellsSummary(id)}
        table={() => [["month", "hour", "share_of_neighbours"], ...cells.map((share, cell) => [...hourName(cell), share])]}
      >
        {(width) => (data ? <PeerCells shares={cells} width={width} height={CELLS_PX} /> : null)}
      </ChartFrame>
      <ChartFrame
        title={say.dayByDay}
        fileName={`${slug}-module-${id}-days`}
        height={DAYS_PX}
        summary={say.daysSummary(id)}
        table={() => [["day", "share_of_neighbours"], ...(data?.days ?? []).map((day, d) => [day, days[d] ?? null])]}
      >
        {(width) =>
          data ? <PeerDays days={data.days} shares={days} width={width} height={DAYS_PX} label={(share) => percent(share, 0)} /> : null
        }
      </ChartFrame>
    </section>
  );
}

interface OddSentenceProps {
  readonly odd: OddModuleLine;
  readonly spreadFrac: number;
  readonly over: Neighbours;
}

const OddSentence = ({ odd, spreadFrac, over }: OddSentenceProps) => (
  <>
    <b>{say.losesAYear(oddNames[odd.cause])}</b>
    <Figure name={`module-lost/${odd.id}`} working={() => moduleWorking(odd, spreadFrac, over)}>
      {number(odd.told.kwh, 1)} ± {number(odd.told.halfKwh, 1)}
    </Figure>{" "}
    {lossUnit(over)}. {oddInWords(odd)}
  </>
);
