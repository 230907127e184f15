"use client";

import { type KeyboardEvent, type PointerEvent, type ReactNode, useMemo, useState } from "react";
import { frameOf, type PlanFrame, type PlanOutline, SitePlan, toMetres } from "@/charts";
import { bearingOf } from "@/core/shading";
import type { PlacedArray, SiteObstacle } from "@/core/site";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { measure } from "@/wording/format";
import { say } from "@/wording/screens/site";

export interface PlanViewProps {
  readonly title: string;
  readonly height: number;
  readonly fileName: string;
  readonly arrays: readonly PlacedArray[];
  readonly obstacles: readonly SiteObstacle[];
  /** Draws what lies on the ground, such as shadows. */
  readonly ground?: (frame: PlanFrame) => ReactNode;
  readonly outlines?: readonly PlanOutline[];
  readonly selected: string | null;
  readonly select: (id: string) => void;
  /** Puts a thing elsewhere in the plan. */
  readonly move: (id: string, to: { eastM: number; northM: number }) => void;
  readonly note?: ReactNode;
}

const KEYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
};
const SNAP_M = 0.1;
const snap = (metres: number): number => Number((Math.round(metres / SNAP_M) * SNAP_M).toFixed(2));

interface Drag {
  readonly id: string;
  readonly pointer: number;
  readonly offEast: number;
  readonly offNorth: number;
  /** The frame stays while something is dragged, or the paper would slide under the hand. */
  readonly frame: PlanFrame;
}

/** The site from above; things are moved by dragging, or with the arrow keys (with Shift a metre at a time). */
export function PlanView({
  title,
  height,
  fileName,
  arrays,
  obstacles,
  ground,
  outlines = [],
  selected,
  select,
  move,
  note,
}: PlanViewProps) {
  const [drag, setDrag] = useState<Drag | null>(null);
  const things = useMemo(() => {
    const named = new Map<string, { readonly eastM: number; readonly northM: number }>();
    for (const array of arrays) named.set(array.array.id, array);
    for (const obstacle of obstacles) named.set(obstacle.id, obstacle);
    return named;
  }, [arrays, obstacles]);
  const grip = (frame: PlanFrame) => (id: string, label: string, children: ReactNode) => (
    <Movable
      key={id}
      thing={{ id, label, ...things.get(id)! }}
      frame={frame}
      selected={selected === id}
      drag={drag}
      setDrag={setDrag}
      select={select}
      move={move}
    >
      {children}
    </Movable>
  );
  return (
    <PlanPicture
      title={title}
      note={note}
      fileName={fileName}
      height={height}
      arrays={arrays}
      obstacles={obstacles}
      things={things}
      drag={drag}
      ground={ground}
      outlines={outlines}
      selected={selected}
      grip={grip}
    />
  );
}

interface MovableProps extends Pick<PlanViewProps, "select" | "move"> {
  readonly thing: { readonly id: string; readonly label: string; readonly eastM: number; readonly northM: number };
  readonly frame: PlanFrame;
  readonly selected: boolean;
  readonly drag: Drag | null;
  readonly setDrag: (drag: Drag | null) => void;
  readonly children: ReactNode;
}

const placeAt = (event: PointerEvent<SVGGElement>, frame: PlanFrame) => {
  const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
  return toMetres(frame, event.clientX - box.left, event.clientY - box.top);
};

/** A thing of the plan that is moved by hand or by key. */
function Movable({ thing, frame, selected, drag, setDrag, select, move, children }: MovableProps) {
  const { id } = thing;
  const start = (event: PointerEvent<SVGGElement>): void => {
    const at = placeAt(event, frame);
    event.currentTarget.setPointerCapture(event.pointerId);
    select(id);
    setDrag({ id, pointer: event.pointerId, offEast: thing.eastM - at.eastM, offNorth: thing.northM - at.northM, frame });
  };
  const pull = (event: PointerEvent<SVGGElement>): void => {
    if (drag?.id !== id || drag.pointer !== event.pointerId) return;
    const at = placeAt(event, drag.frame);
    move(id, { eastM: snap(at.eastM + drag.offEast), northM: snap(at.northM + drag.offNorth) });
  };
  const nudge = (event: KeyboardEvent<SVGGElement>): void => {
    const way = KEYS[event.key];
    if (!way) return;
    event.preventDefault();
    const by = event.shiftKey ? 1 : SNAP_M;
    move(id, { eastM: snap(thing.eastM + way[0] * by), northM: snap(thing.northM + way[1] * by) });
  };
  const words = say.mEastMNorth(thing.label, measure(thing.eastM, "m", 1), measure(thing.northM, "m", 1));
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={say.arrowKeysMoveIt(words)}
      aria-pressed={selected}
      style={{ cursor: drag?.id === id ? "grabbing" : "grab", touchAction: "none" }}
      onPointerDown={start}
      onPointerMove={pull}
      onPointerUp={() => setDrag(null)}
      onPointerCancel={() => setDrag(null)}
      onFocus={() => select(id)}
      onKeyDown={nudge}
    >
      <title>{words}</title>
      {children}
    </g>
  );
}

interface PlanPictureProps {
  readonly title: string;
  readonly note: ReactNode;
  readonly fileName: string;
  readonly height: number;
  readonly arrays: readonly PlacedArray[];
  readonly obstacles: readonly SiteObstacle[];
  readonly things: Map<string, { readonly eastM: number; readonly northM: number }>;
  readonly drag: Drag | null;
  readonly ground: ((frame: PlanFrame) => ReactNode) | undefined;
  readonly outlines: readonly PlanOutline[];
  readonly selected: string | null;
  readonly grip: (frame: PlanFrame) => (id: string, label: string, children: ReactNode) => ReactNode;
}

function PlanPicture({
  title,
  note,
  fileName,
  height,
  arrays,
  obstacles,
  things,
  drag,
  ground,
  outlines,
  selected,
  grip,
}: PlanPictureProps) {
  return (
    <ChartFrame
      title={title}
      note={note}
      fileName={fileName}
      height={height}
      interactive
      summary={say.planOfTheSiteArraysAnd(arrays.length, obstacles.length)}
      table={() => [
        ["thing", "east_m", "north_m", "bearing_deg", "distance_m"],
        ...[...things].map(([id, thing]) => {
          const seen = bearingOf(arrays[0] ?? { eastM: 0, northM: 0 }, thing);
          return [id, thing.eastM, thing.northM, Math.round(seen.azimuthDeg), Number(seen.distanceM.toFixed(2))];
        }),
      ]}
    >
      {(width) => {
        const frame = drag?.frame ?? frameOf(width, height, arrays, obstacles);
        return (
          <SitePlan
            frame={frame}
            arrays={arrays}
            obstacles={obstacles}
            ground={ground?.(frame) ?? null}
            outlines={outlines}
            selected={selected}
            grip={grip(frame)}
          />
        );
      }}
    </ChartFrame>
  );
}
