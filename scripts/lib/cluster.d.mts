import type { ThrowawayCluster } from "./house.mjs";

export function startThrowawayCluster(options?: { readonly durable?: boolean; readonly base?: string }): Promise<ThrowawayCluster>;
export function startIn(folder: string, options: { readonly fast: boolean; readonly durable?: boolean }): Promise<ThrowawayCluster>;
