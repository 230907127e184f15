"use client";

import { useMutation } from "@tanstack/react-query";
import { useRouter } from "next/navigation";
import { asRefused, type RefusedCall } from "./refused-call";

export interface Change<V, R> {
  /** Does it; the refusal stands in `refusal`. */
  readonly run: (value: V) => void;
  /** The same, giving what came of it; null where it was refused. */
  readonly tryRun: (value: V) => Promise<R | null>;
  readonly isBusy: boolean;
  readonly refusal: RefusedCall | null;
  readonly forget: () => void;
}

interface ChangeTerms<V, R> {
  readonly onDone?: (result: R, value: V) => void;
  /** What stands on the page is not asked for anew. */
  readonly keepsPage?: boolean;
}

/** A change of what the server holds. The page is asked for anew when it is done; a refusal is held until the next try. */
export function useChange<V, R>(work: (value: V) => Promise<R>, { onDone, keepsPage = false }: ChangeTerms<V, R> = {}): Change<V, R> {
  const router = useRouter();
  const { mutate, mutateAsync, isPending, error, reset } = useMutation<R, unknown, V>({
    mutationFn: work,
    onSuccess: (result, value) => {
      onDone?.(result, value);
      if (!keepsPage) router.refresh();
    },
  });
  return {
    run: (value) => mutate(value),
    tryRun: (value) => mutateAsync(value).catch(() => null),
    isBusy: isPending,
    refusal: error ? asRefused(error) : null,
    forget: reset,
  };
}
