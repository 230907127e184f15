import { referenceCases, type VectorCase } from "../reference-vectors";

/** One figure of ours beside the reference's. `expected` null: the reference says it is not defined, and so must we. */
export interface Comparison {
  readonly id: string;
  readonly got: number;
  readonly expected: number | null;
  /** |got - expected| may be at most absolute + relative |expected|. */
  readonly absolute: number;
  readonly relative: number;
}

/** A method of the chain set against an independent implementation. */
export interface MethodCheck {
  readonly stage: string;
  readonly method: string;
  readonly source: string;
  readonly unit: string;
  /** The tolerance in words, with the reason where it is wide. */
  readonly tolerance: string;
  readonly comparisons: () => Comparison[];
}

export interface Tolerance {
  readonly absolute?: number;
  readonly relative?: number;
}

/** Comparisons over a topic's vectors: each case gives pairs of ours and theirs. */
export function over<I, E>(
  topic: string,
  kind: string | undefined,
  tolerance: Tolerance,
  pairs: (input: I, expected: E, vector: VectorCase<I, E>) => readonly (readonly [number, number | null])[],
): () => Comparison[] {
  const { absolute = 0, relative = 0 } = tolerance;
  return () =>
    referenceCases<I, E>(topic, kind).flatMap((vector) =>
      pairs(vector.input, vector.expected, vector).map(([got, expected]) => ({ id: vector.id, got, expected, absolute, relative })),
    );
}

/** Difference as a share of what is allowed; over 1 fails. */
export function shareOfAllowed({ got, expected, absolute, relative }: Comparison): number {
  if (expected === null) return Number.isNaN(got) ? 0 : Number.POSITIVE_INFINITY;
  const allowed = absolute + relative * Math.abs(expected);
  const off = Math.abs(got - expected);
  return off === 0 ? 0 : off / allowed;
}
