import type { Metadata } from "next";
import { BENCH_VIEWS } from "@/features/calculators/bench-views";
import { OpenBench } from "@/features/calculators/tray/OpenBench";
import { Desk } from "@/features/shell/Desk";
import { house } from "@/wiring";

export const metadata: Metadata = { title: "Bench" };
export const dynamic = "force-dynamic";

interface Props {
  searchParams: Promise<{ view?: string }>;
}

/** The bench for somebody without a book. */
export default async function BenchWithoutBook({ searchParams }: Props) {
  const { view } = await searchParams;
  const own = house();
  const spines = await own.books.spines();
  return (
    <Desk spines={spines} slug={null} chapter={null}>
      <OpenBench view={BENCH_VIEWS.find(({ id }) => id === view)?.id ?? null} nowUtcMs={own.now()} />
    </Desk>
  );
}
