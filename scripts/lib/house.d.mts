export interface Kept {
  readonly kill: () => void;
  readonly pid: () => number;
  readonly starts: () => number;
  readonly stop: () => Promise<void>;
}

export interface ThrowawayCluster extends Kept {
  readonly url: string;
  readonly migratorUrl: string;
  readonly adminUrl: string;
  readonly folder: string;
  /** Stops the server and leaves its files. */
  readonly stopServer: () => Promise<void>;
}

export interface House {
  readonly cluster: ThrowawayCluster;
  readonly site: Kept & { readonly address: string; readonly log: () => string };
  readonly worker: Kept | null;
  readonly env: NodeJS.ProcessEnv;
  readonly stop: () => Promise<void>;
}

export function startHouse(options: {
  readonly firstPort: number;
  readonly steps?: readonly string[];
  readonly durable?: boolean;
  readonly hasWorker?: boolean;
  readonly env?: Readonly<Record<string, string>>;
  readonly cluster?: ThrowawayCluster;
}): Promise<House>;
