import { scaleThreshold } from "d3";
import type { KeyboardEvent } from "react";

/** Upper bounds of the classes of a share of the neighbours: sound modules differ by some per cent. */
export const PEER_BOUNDS = [0.3, 0.6, 0.8, 0.9, 0.96, 1.03, 1.06] as const;
const classOf = scaleThreshold<number, number>([...PEER_BOUNDS], [0, 1, 2, 3, 4, 5, 6, 7]);

/** Paper where nothing is known. */
export const peerFill = (share: number | null): string => (share === null ? "var(--heat-none)" : `var(--heat-${classOf(share)})`);
/** Ends of the scale are dark in one theme and light in the other: letters stand on them in the paper's colour. */
export const peerInk = (share: number | null): string => (share !== null && share < PEER_BOUNDS[1] ? "var(--paper)" : "var(--ink)");

export interface DrawnModule {
  readonly id: string;
  readonly row: number;
  readonly column: number;
  /** Null where it was not read. */
  readonly share: number | null;
  readonly isOdd: boolean;
}

export interface ModulesPlanProps {
  readonly name: string;
  readonly rows: number;
  readonly columns: number;
  readonly modules: readonly DrawnModule[];
  readonly width: number;
  readonly chosen: string | null;
  readonly choose: (id: string) => void;
  readonly label: (module: DrawnModule) => string;
}

const HEAD = 20;
const GAP = 3;
const LARGEST = 64;
const TALL = 1.25;
/** Letters of a name need so much room each. */
const LETTER_PX = 6.6;

/** A plan of many rows stays on the page. */
const TALLEST = 430;

const cellOf = (rows: number, columns: number, width: number): number =>
  Math.min(LARGEST, (width - GAP) / columns, TALLEST / (rows * TALL));
/** How tall a plan of so many rows and columns is drawn. */
export const modulesPlanHeight = (rows: number, columns: number, width: number): number =>
  HEAD + rows * cellOf(rows, columns, width) * TALL + 6;

/** An array's modules as they lie, the upper edge at the top, each painted by its share of its neighbours. */
export function ModulesPlan({ name, rows, columns, modules, width, chosen, choose, label }: ModulesPlanProps) {
  const across = cellOf(rows, columns, width);
  const down = across * TALL;
  return (
    <g fontSize={11.5}>
      <text y={13} fill="var(--ink)" fontSize={13}>
        {name}
      </text>
      <path d={`M0 ${HEAD + rows * down + 1}H${columns * across - GAP}`} stroke="var(--rule-strong)" />
      {modules.map((module) => {
        const { id, share, isOdd } = module;
        const press = (event: KeyboardEvent): void => {
          if (event.key !== "Enter" && event.key !== " ") return;
          event.preventDefault();
          choose(id);
        };
        const size = Math.min(11.5, (1.7 * across) / Math.max(2, id.length));
        return (
          <g
            key={id}
            role="button"
            tabIndex={0}
            aria-label={label(module)}
            aria-pressed={chosen === id}
            transform={`translate(${module.column * across}, ${HEAD + module.row * down})`}
            style={{ cursor: "pointer" }}
            onClick={() => choose(id)}
            onKeyDown={press}
          >
            <title>{label(module)}</title>
            <rect
              width={across - GAP}
              height={down - GAP}
              fill={peerFill(share)}
              stroke={chosen === id ? "var(--ink)" : isOdd ? "var(--clay)" : "var(--rule-strong)"}
              strokeWidth={chosen === id ? 2.5 : isOdd ? 1.6 : 1}
              strokeDasharray={share === null ? "3 2" : undefined}
            />
            {size > 6.5 && id.length * LETTER_PX * (size / 11.5) < across && (
              <text x={(across - GAP) / 2} y={down * 0.42} textAnchor="middle" fontSize={size} fill={peerInk(share)}>
                {id}
              </text>
            )}
            {across > 30 && share !== null && (
              <text x={(across - GAP) / 2} y={down * 0.74} textAnchor="middle" fontSize={11} fill={peerInk(share)}>
                {Math.round(share * 100)}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
