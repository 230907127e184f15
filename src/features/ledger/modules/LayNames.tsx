import { Button, Checkbox, Select } from "@mantine/core";
import { type KeyboardEvent, useState } from "react";
import type { Neighbours } from "@/contracts/neighbours";
import { type GridOrder, gridInOrder, inNaturalOrder, PLAIN_ORDER, type Site } from "@/core/site";
import { useSiteSave } from "@/features/data/use-site-save";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { say } from "@/wording/screens/ledger-modules";
import styles from "./Modules.module.css";
import { gridOf } from "./PaintedPlan";

interface LayNamesProps {
  readonly slug: string;
  readonly site: Site;
  readonly version: number;
  readonly neighbours: Neighbours;
  readonly close: () => void;
}

type Grid = readonly (readonly string[])[];
type Grids = Readonly<Record<string, Grid>>;

/** Where the names lie now, as rows of each array. */
const laidNow = (site: Site, neighbours: Neighbours): Grids =>
  Object.fromEntries(
    [...new Set(neighbours.modules.map(({ array }) => array))].map((array) => {
      const { rows, columns } = gridOf(site, array, neighbours);
      const grid = Array.from({ length: rows }, () => new Array<string>(columns).fill(""));
      for (const { id, row, column } of neighbours.modules.filter((module) => module.array === array)) grid[row]![column] = id;
      return [array, grid];
    }),
  );

/** Lays the modules' names on the plan: in an order, then one by one by dragging or with the arrow keys. */
export function LayNames({ slug, site, version, neighbours, close }: LayNamesProps) {
  const [grids, setGrids] = useState(() => laidNow(site, neighbours));
  const [array, setArray] = useState(Object.keys(grids)[0]!);
  const [order, setOrder] = useState<GridOrder>(PLAIN_ORDER);
  const { run, isBusy, refusal } = useSiteSave(slug, close);
  const grid = grids[array]!;
  const put = (next: Grid): void => setGrids({ ...grids, [array]: next });
  const inOrder = (next: GridOrder): void => {
    setOrder(next);
    const names = inNaturalOrder(grid.flat().filter((id) => id !== ""));
    put(gridInOrder(site, site.arrays.find(({ id }) => id === array)!, names, next));
  };
  const save = (): void =>
    run({
      version,
      site: { ...site, arrays: site.arrays.map((own) => ({ ...own, moduleIds: grids[own.id]?.map((row) => [...row]) ?? own.moduleIds })) },
    });
  return (
    <section className={styles.lay} data-testid="lay-names">
      <OrderFields arrays={Object.keys(grids)} array={array} setArray={setArray} order={order} setOrder={inOrder} />
      <p className={chapter.soft}>
        {say.changePlaces} {say.lookingAlong}
      </p>
      <Places grid={grid} put={put} />
      {refusal && <Refused refusal={refusal} />}
      <div className={chapter.actions}>
        <Button onClick={save} loading={isBusy}>
          {say.keepPlaces}
        </Button>
        <Button variant="default" onClick={close}>
          {say.leaveAsBefore}
        </Button>
      </div>
    </section>
  );
}

interface OrderFieldsProps {
  readonly arrays: readonly string[];
  readonly array: string;
  readonly setArray: (array: string) => void;
  readonly order: GridOrder;
  readonly setOrder: (order: GridOrder) => void;
}

function OrderFields({ arrays, array, setArray, order, setOrder }: OrderFieldsProps) {
  return (
    <div className={styles.controls}>
      {arrays.length > 1 && (
        <Select label={say.array} data={[...arrays]} value={array} allowDeselect={false} onChange={(id) => id && setArray(id)} />
      )}
      <Select
        label={say.firstName}
        allowDeselect={false}
        value={order.from}
        onChange={(from) => from && setOrder({ ...order, from: from })}
        data={[
          { value: "upper-left", label: say.upperLeft },
          { value: "upper-right", label: say.upperRight },
          { value: "lower-left", label: say.lowerLeft },
          { value: "lower-right", label: say.lowerRight },
        ]}
      />
      <Select
        label={say.along}
        allowDeselect={false}
        value={order.along}
        onChange={(along) => along && setOrder({ ...order, along: along })}
        data={[
          { value: "rows", label: say.alongRows },
          { value: "columns", label: say.alongColumns },
        ]}
      />
      <Checkbox
        label={say.everySecondBack}
        checked={order.turns}
        onChange={(event) => setOrder({ ...order, turns: event.currentTarget.checked })}
      />
    </div>
  );
}

type At = readonly [row: number, column: number];
const KEYS: Readonly<Record<string, At>> = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] };

function Places({ grid, put }: { readonly grid: Grid; readonly put: (grid: Grid) => void }) {
  const [held, hold] = useState<At | null>(null);
  const swap = (a: At, b: At): void => {
    const [idA, idB] = [grid[a[0]]?.[a[1]], grid[b[0]]?.[b[1]]];
    if (idA === undefined || idB === undefined) return;
    const at = (row: number, column: number, [r, c]: At): boolean => row === r && column === c;
    put(grid.map((cells, row) => cells.map((id, column) => (at(row, column, a) ? idB : at(row, column, b) ? idA : id))));
  };
  const press = (event: KeyboardEvent, at: At): void => {
    const way = KEYS[event.key];
    if (!way) return;
    event.preventDefault();
    const to: At = [at[0] + way[0], at[1] + way[1]];
    if (grid[to[0]]?.[to[1]] === undefined) return;
    swap(at, to);
    const board = event.currentTarget.parentElement;
    board?.querySelector<HTMLElement>(`[data-at="${to[0]} ${to[1]}"]`)?.focus();
  };
  return (
    <div className={styles.grid} style={{ gridTemplateColumns: `repeat(${grid[0]?.length ?? 1}, minmax(40px, 64px))` }}>
      {grid.flatMap((cells, row) =>
        cells.map((id, column) => (
          <button
            // biome-ignore lint/suspicious/noArrayIndexKey: a place is its row and column
            key={`${row} ${column}`}
            type="button"
            className={styles.place}
            draggable={id !== ""}
            data-at={`${row} ${column}`}
            data-free={id === "" || undefined}
            aria-label={id === "" ? say.freePlace(row + 1, column + 1) : say.changesPlaces(id)}
            aria-pressed={held?.[0] === row && held[1] === column}
            onClick={() => {
              if (held) swap(held, [row, column]);
              hold(held || id === "" ? null : [row, column]);
            }}
            onKeyDown={(event) => press(event, [row, column])}
            onDragStart={() => hold([row, column])}
            onDragOver={(event) => event.preventDefault()}
            onDrop={() => {
              if (held) swap(held, [row, column]);
              hold(null);
            }}
          >
            {id}
          </button>
        )),
      )}
    </div>
  );
}
