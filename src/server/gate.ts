/** What a request waits for: a place among those that are worked on at a time. */
export interface Gate {
  /** Resolves with a way to give the place back; with null where there is none to be had in time. */
  enter(address: string, leaves: AbortSignal): Promise<(() => void) | null>;
  readonly atWork: number;
  readonly waiting: number;
}

export interface GateLimits {
  readonly atWork: number;
  readonly mostWaiting: number;
  readonly mostWaitMs: number;
}

type Waiter = (turn: boolean) => void;

/** Lets a few requests in at a time. Addresses take turns, so that one that asks a thousand times does not keep out one that asks once. */
export function gate({ atWork: most, mostWaiting, mostWaitMs }: GateLimits): Gate {
  const queues = new Map<string, Set<Waiter>>();
  let atWork = 0;
  let waiting = 0;

  function forget(address: string, waiter: Waiter): void {
    const queue = queues.get(address);
    if (!queue?.delete(waiter)) return;
    waiting--;
    if (queue.size === 0) queues.delete(address);
  }

  /** The next address in turn goes to the end of the row after its request is taken. */
  function next(): void {
    if (atWork >= most) return;
    const [first] = queues;
    if (!first) return;
    const [address, queue] = first;
    const [waiter] = queue;
    forget(address, waiter!);
    if (queues.delete(address)) queues.set(address, queue);
    atWork++;
    waiter!(true);
  }

  function leave(): () => void {
    let left = false;
    return () => {
      if (left) return;
      left = true;
      atWork--;
      next();
    };
  }

  return {
    get atWork() {
      return atWork;
    },
    get waiting() {
      return waiting;
    },
    async enter(address, leaves) {
      if (atWork < most && waiting === 0) {
        atWork++;
        return leave();
      }
      const queue = queues.get(address) ?? new Set<Waiter>();
      if (queue.size >= mostWaiting) return null;
      queues.set(address, queue);
      waiting++;
      const isIn = await new Promise<boolean>((resolve) => {
        const waiter: Waiter = (turn) => {
          clearTimeout(timer);
          leaves.removeEventListener("abort", giveUp);
          resolve(turn);
        };
        const giveUp = (): void => {
          forget(address, waiter);
          waiter(false);
        };
        const timer = setTimeout(giveUp, mostWaitMs);
        leaves.addEventListener("abort", giveUp);
        queue.add(waiter);
      });
      return isIn ? leave() : null;
    },
  };
}
