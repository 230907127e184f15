import { SideBars } from "@/charts";
import { differenceFrac, type Group } from "@/core/trial";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { percent } from "@/wording/format";
import { say } from "@/wording/screens/field-book-trials";

interface BarsProps {
  readonly title: string;
  readonly groups: readonly Group[];
  readonly mean: number;
  readonly label: (key: string) => string;
  readonly weights?: readonly number[];
  readonly name: string;
}

/** A group that holds less than this share of the middle one's energy says nothing in a picture. */
const THIN = 0.04;

/** How much more the second side gave, group by group. */
export function TrialBars({ title, groups, mean, label, weights, name }: BarsProps) {
  const most = Math.max(...groups.map((group) => group.a));
  const bars = groups.map((group, k) => ({
    key: group.key,
    label: label(group.key),
    frac: group.a > THIN * most ? differenceFrac(group) : null,
    weight: weights?.[k] ?? 1,
  }));
  return (
    <ChartFrame
      title={title}
      note={say.secondSideAgainstTheFirstDashed}
      fileName={name}
      height={150}
      summary={bars.map(({ label: text, frac }) => `${text}: ${frac === null ? "too little" : percent(frac)}`).join("; ")}
      table={() => [
        ["group", "first_kwh_per_kwp", "second_kwh_per_kwp", "difference_frac"],
        ...groups.map((group) => [group.key, group.a, group.b, differenceFrac(group)]),
      ]}
    >
      {(width) => <SideBars bars={bars} mean={mean} width={width} height={150} />}
    </ChartFrame>
  );
}
