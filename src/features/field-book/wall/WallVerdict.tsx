import { type InverterReport, isFine } from "@/core/electrical";
import type { MomentPower } from "@/core/yield";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/field-book-inverter";
import { say as wall } from "@/wording/screens/field-book-wall";
import { isBelow, spanInWords } from "@/wording/wall";
import type { SpanRead } from "./spans";

interface VerdictProps {
  readonly problem: string;
  /** Null where nothing of the moment was read. */
  readonly report: InverterReport | null;
  readonly spans: readonly SpanRead[];
  readonly moment: MomentPower | null;
  readonly isLit: boolean;
}

/** Now, that day, in all: a sentence each. */
export function WallVerdict({ problem, report, spans, moment, isLit }: VerdictProps) {
  return (
    <p className={chapter.verdict} data-testid="wall-verdict">
      {problem ? <span className={chapter.clay}>{problem}</span> : !report && spans.length === 0 && wall.typeWhatItShows}
      {report && <Sentence report={report} moment={moment} measured={isLit} />}
      {spans.map((span) => (
        <span key={span.kind} className={isBelow(span) ? chapter.clay : undefined}>
          {" "}
          {spanInWords(span)}
        </span>
      ))}
    </p>
  );
}

function Sentence({ report, moment, measured }: { report: InverterReport; moment: MomentPower | null; measured: boolean }) {
  const { dcW, acW, efficiencyFrac, ofExpectedFrac, inputs } = report;
  const isOff = report.findings.some((finding) => !isFine(finding));
  return (
    <span className={isOff ? chapter.clay : ""}>
      {inputs.length > 0
        ? say.wGoIn(
            number(dcW),
            acW === null ? "" : say.wComeOut(number(acW)),
            efficiencyFrac === null ? "" : ` (${percent(efficiencyFrac)})`,
          )
        : acW !== null && say.wComesOut(number(acW))}
      {moment &&
        ofExpectedFrac !== null &&
        say.wouldGiveWOfItIs(measured ? "This light" : say.aCloudlessSky, number(moment.expectedW), percent(ofExpectedFrac, 0))}
    </span>
  );
}
