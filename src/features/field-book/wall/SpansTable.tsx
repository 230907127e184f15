import type { HealthSide } from "@/core/readings";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/field-book-wall";
import { stateOf } from "@/wording/wall";
import { healthWorking } from "@/wording/workings/health-working";
import type { SpanRead, WallBasis } from "./spans";

/** Day and lifetime beside what was expected and what was promised of those very days. */
export function SpansTable({ spans, basis }: { spans: readonly SpanRead[]; basis: WallBasis }) {
  return (
    <ScrollBox label={say.besideWhatItShouldBe}>
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th scope="col">{say.read}</th>
            <th scope="col">{say.setAgainst}</th>
            <th scope="col">kWh</th>
            <th scope="col">{say.differenceKwh}</th>
            <th scope="col">share</th>
            <th scope="col" />
          </tr>
        </thead>
        <tbody>
          {spans.flatMap((span) =>
            (["expected", "promise"] as const).map((kind) => (
              <SideRow key={`${span.kind} ${kind}`} span={span} kind={kind} side={span[kind]} basis={basis} />
            )),
          )}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}

interface SideRowProps {
  readonly span: SpanRead;
  readonly kind: "expected" | "promise";
  readonly side: HealthSide | null;
  readonly basis: WallBasis;
}

function SideRow({ span, kind, side, basis }: SideRowProps) {
  const read =
    kind === "expected" ? `${span.kind === "day" ? say.thatDay : say.inAll}, ${number(span.readKwh, span.kind === "day" ? 1 : 0)} kWh` : "";
  const against = kind === "expected" ? say.expectedByTheWeatherThatCame : say.promiseByTheDaysThemselves;
  if (!side)
    return (
      <tr>
        <td>{read}</td>
        <td>{against}</td>
        <td colSpan={4}>{kind === "promise" ? say.noPromiseInTheBook : say.noWeatherInTheBookFor}</td>
      </tr>
    );
  const state = stateOf(side);
  return (
    <tr>
      <td>{read}</td>
      <td>{against}</td>
      <td>
        <Figure plain working={() => healthWorking(kind, side, span.readKwh, span, basis)}>
          {number(side.measureKwh, 1)}
        </Figure>
      </td>
      <td>{number(side.differenceKwh, 1)}</td>
      <td>{Number.isNaN(side.ratio) ? "–" : percent(side.ratio)}</td>
      <td className={state === "below" ? chapter.clay : undefined}>{say[state]}</td>
    </tr>
  );
}
