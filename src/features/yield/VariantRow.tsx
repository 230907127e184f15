"use client";

import { Button, Checkbox } from "@mantine/core";
import { nameplateW, siteAcRatedW } from "@/core/site";
import { type applyWhatIf, type YieldLine, yieldSum } from "@/core/yield";
import { Figure } from "@/features/kit/figures/Figure";
import { number, percent } from "@/wording/format";
import { differenceWorking, triedWorking } from "@/wording/workings/yield-workings";
import styles from "./Yield.module.css";

export const STROKES = [
  { colour: "var(--clay)", dash: "" },
  { colour: "var(--account-inverter)", dash: "7 3" },
  { colour: "var(--brass)", dash: "2 3" },
  { colour: "var(--moss)", dash: "9 3 2 3" },
] as const;

interface RowProps {
  readonly name: string;
  readonly site: ReturnType<typeof applyWhatIf>;
  readonly lines: readonly YieldLine[] | null;
  readonly base: readonly YieldLine[];
  readonly stroke?: (typeof STROKES)[number] | null;
  readonly toggle?: () => void;
  readonly take?: () => void;
  readonly remove?: () => void;
}

const sign = (value: number): string => (value >= 0 ? "+" : "");

const inWinter = (latitudeDeg: number) => {
  const north = [10, 11, 12, 1, 2, 3];
  return ({ key }: YieldLine): boolean => north.includes(Number(key.slice(5, 7))) === latitudeDeg >= 0;
};

export function VariantRow({ name, site, lines, base, stroke, toggle, take, remove }: RowProps) {
  const built = yieldSum("", base);
  const whole = lines && yieldSum("", lines);
  const winter = lines && yieldSum("", lines.filter(inWinter(site.place.latitudeDeg)));
  const difference = whole ? whole.expectedKwh - built.expectedKwh : 0;
  return (
    <tr>
      <td>
        <span className={styles.variantName}>
          {toggle && <Checkbox size="xs" color="ink" checked={stroke !== null} onChange={toggle} aria-label={`Compare ${name}`} />}
          {stroke && (
            <svg width="22" height="8" aria-hidden="true">
              <line x2="22" y1="4" y2="4" stroke={stroke.colour} strokeDasharray={stroke.dash} strokeWidth="2.2" />
            </svg>
          )}
          {name}
        </span>
      </td>
      <td>{number(nameplateW(site) / 1000, 1)}</td>
      <td>{siteAcRatedW(site) > 0 ? number(siteAcRatedW(site) / 1000, 1) : "–"}</td>
      <td>{whole ? <VariantEnergy line={whole} title={name} site={site} /> : "–"}</td>
      <td>{winter ? <VariantEnergy line={winter} title={`${name}, winter half`} site={site} /> : "–"}</td>
      <td data-sign={difference < 0 ? "less" : "more"}>
        {whole && toggle && (
          <Figure
            plain
            working={() => differenceWorking(name, { name, kwh: whole.expectedKwh }, { name: "As built", kwh: built.expectedKwh })}
          >
            {`${sign(difference)}${number(difference)} (${sign(difference)}${percent(difference / built.expectedKwh)})`}
          </Figure>
        )}
      </td>
      <td>
        {take && (
          <Button variant="subtle" size="compact-xs" onClick={take}>
            Try
          </Button>
        )}
        {remove && (
          <Button variant="subtle" size="compact-xs" onClick={remove} aria-label={`Remove ${name}`}>
            Remove
          </Button>
        )}
      </td>
    </tr>
  );
}

function VariantEnergy({ line, title, site }: { line: YieldLine; title: string; site: RowProps["site"] }) {
  return (
    <Figure plain working={() => triedWorking(line, title, site)}>
      {number(line.expectedKwh)}
    </Figure>
  );
}
