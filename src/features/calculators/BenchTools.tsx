import Link from "next/link";
import type { ReactNode } from "react";
import { TOOL_QUESTIONS } from "@/wording/screens/calculators-tools";
import styles from "./BenchTools.module.css";
import { BENCH_VIEWS, type BenchView } from "./bench-views";

/** A small drawing of what each tool is about: ground line at 58, sun light in brass, what is asked in clay. */
const DRAWINGS: Readonly<Record<BenchView, ReactNode>> = {
  costs: (
    <>
      <path d="M20 58L56 58M20 58L50 28" />
      <path data-asked d="M66 22H108M66 36H98M66 50H104" />
      <path d="M60 16V58" />
      <circle cx="14" cy="16" r="7" data-sun />
    </>
  ),
  tilt: (
    <>
      <path d="M22 58L64 58M28 58L60 26" />
      <path data-asked d="M44 58A16 16 0 0 0 39.5 46.5" />
      <circle cx="86" cy="16" r="7" data-sun />
    </>
  ),
  rows: (
    <>
      <path d="M10 58H110M18 58L38 38M70 58L90 38" />
      <path data-asked d="M38 66H70M38 63V69M70 63V69" />
      <path data-sun d="M104 10L38 38L20 46" />
    </>
  ),
  ground: (
    <>
      <path d="M8 58V38L30 24L52 38V58ZM64 58H112M74 58L100 34M94 58V40" />
      <path data-asked d="M54 48H62" />
    </>
  ),
  mixed: (
    <>
      <path d="M8 36H20M44 36H56M80 36H92M104 36H114" />
      <rect x="20" y="24" width="24" height="24" />
      <rect x="56" y="24" width="24" height="24" />
      <rect x="92" y="30" width="12" height="12" data-asked />
    </>
  ),
  cable: (
    <>
      <path d="M8 24H34M8 52H34" />
      <path data-asked d="M34 24C58 24 62 38 88 38M34 52C58 52 62 38 88 38" />
      <rect x="88" y="28" width="24" height="20" />
    </>
  ),
  modules: (
    <>
      <rect x="12" y="18" width="26" height="40" />
      <rect x="48" y="14" width="30" height="44" />
      <rect x="88" y="22" width="22" height="36" data-asked />
    </>
  ),
  snow: (
    <>
      <path d="M14 58H106M24 58L74 20" />
      <path data-asked d="M40 40L52 31L66 20L74 14L78 20L60 36L46 48Z" />
      <path data-sun d="M92 14V30M84 22H100M86 16L98 28M98 16L86 28" />
    </>
  ),
  gear: (
    <>
      <path d="M18 58V32L50 18L82 32V58Z" />
      <rect x="36" y="38" width="24" height="16" />
      <path data-asked d="M98 14V44M94 44A6 6 0 1 0 102 44" />
      <circle cx="12" cy="14" r="7" data-sun />
    </>
  ),
  sides: (
    <>
      <path d="M14 58H54M66 58H106M22 58V34M34 58V28M46 58V38" />
      <path data-asked d="M74 58V30M86 58V22M98 58V34" />
      <path d="M60 16V62" />
    </>
  ),
  loads: (
    <>
      <rect x="12" y="26" width="40" height="32" />
      <path d="M20 26V20H28V26M36 26V20H44V26M52 42H72" />
      <path data-asked d="M88 16L76 44H88L82 62L102 34H90L98 16Z" />
    </>
  ),
};

/** The bench opens on its tools: a drawing and a question each. */
export function BenchTools({ home }: { home: string }) {
  return (
    <ul className={styles.tools}>
      {BENCH_VIEWS.map(({ id, name }) => (
        <li key={id}>
          <Link href={`${home}?view=${id}`}>
            <svg viewBox="0 0 120 74" aria-hidden="true">
              {DRAWINGS[id]}
            </svg>
            <b>{name}</b>
            <span>{TOOL_QUESTIONS[id]}</span>
          </Link>
        </li>
      ))}
    </ul>
  );
}
